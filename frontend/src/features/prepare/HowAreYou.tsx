import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, body, type SelfCheck, type SelfChecked } from "../../api/client";
import { say } from "../../phrases/screens/prepare";
import { span } from "../../phrases/time";
import { capital, listed } from "../../phrases/words";

const ASKED = ["wrists", "thumbs", "back"] as const;
const NUMBERS = Array.from({ length: 11 }, (_, number) => number);
const NOTHING: SelfCheck = { wrists: 0, thumbs: 0, back: 0 };

/** What aches before the first client; the load on the hands counts with it. */
export function HowAreYou({ checked }: { checked: SelfChecked }) {
  const queries = useQueryClient();
  const keeping = useMutation({
    mutationFn: (check: SelfCheck) => body<SelfChecked>(api.PUT("/api/self-check", { body: { check } })),
    onSettled: () =>
      Promise.all(["preparation", "day"].map((key) => queries.invalidateQueries({ queryKey: [key] }))),
  });
  const check = (keeping.isPending ? keeping.variables : checked.check) ?? NOTHING;
  return (
    <section aria-label={say.howAreYou}>
      <h2 className="text-2xl">{say.howAreYou}</h2>
      <p className="text-quiet">{say.scaleMeans}</p>
      <div className="mt-1 flex flex-wrap gap-x-6 gap-y-2">
        {ASKED.map((name) => (
          <label key={name} className="grid gap-1">
            {capital(name)}
            <select
              className="select min-h-11 w-20 text-base"
              value={check[name]}
              onChange={(event) => keeping.mutate({ ...check, [name]: Number(event.target.value) })}
            >
              {NUMBERS.map((number) => (
                <option key={number}>{number}</option>
              ))}
            </select>
          </label>
        ))}
      </div>
      {keeping.error && <p role="alert">{say.notSaved}</p>}
      {checked.thumb_seconds < checked.usual_thumb_seconds && (
        <p className="mt-2">
          {say.thumbsBear(span(checked.thumb_seconds), span(checked.usual_thumb_seconds))}
        </p>
      )}
      {checked.have_seen.length > 0 && (
        <p className="mt-1 font-bold text-accent">
          <span aria-hidden="true">△ </span>
          {say.haveSeen(listed(checked.have_seen))}
        </p>
      )}
    </section>
  );
}
