import type { ReactNode } from "react";
import { say } from "../../phrases/screens/learn/numbers";

/** A picture under its name, with its sentence and the way to the numbers behind it. */
export function Picture(props: {
  title: string;
  sentence: string;
  part: "regions" | "depth" | "hands";
  children: ReactNode;
}) {
  return (
    <section aria-label={props.title}>
      <h2 className="text-2xl">{props.title}</h2>
      <p className="mt-1 max-w-prose">{props.sentence}</p>
      <div className="mt-3">{props.children}</div>
      <a
        className="inline-flex min-h-11 items-center underline underline-offset-4"
        href={`/api/numbers/${props.part}.csv`}
        aria-label={`${say.asTable}: ${props.title}`}
      >
        {say.asTable}
      </a>
    </section>
  );
}
