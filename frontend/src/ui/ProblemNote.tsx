import { Problem } from "../api/client";
import { say } from "../phrases/screens/ui";
import { Button } from "./Button";

/** What happened, what is safe, what to do. Shown where the person is looking. */
export function ProblemNote({ error, onAgain }: { error: unknown; onAgain?: () => void }) {
  const known = error instanceof Problem ? error.document : null;
  return (
    <div role="alert" className="my-4 max-w-prose rounded-box bg-base-200 px-5 py-4">
      <p className="font-bold text-accent">
        <span aria-hidden="true">△ </span>
        {known?.title ?? say.pageFailed}
      </p>
      {known?.errors && known.errors.length > 0 ? (
        <ul className="mt-1">
          {known.errors.map((field) => (
            <li key={field.field + field.what}>
              {field.what}: {field.remedy}.
            </li>
          ))}
        </ul>
      ) : (
        <p>{known?.detail ?? say.savedIsSafe}</p>
      )}
      {onAgain && (
        <Button className="mt-3" onClick={onAgain}>
          Try again
        </Button>
      )}
    </div>
  );
}
