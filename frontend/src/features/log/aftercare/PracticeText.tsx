import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { type AftercareView, api } from "../../../api/client";
import { say } from "../../../phrases/screens/log/aftercare";
import { Button } from "../../../ui/Button";
import { ProblemNote } from "../../../ui/ProblemNote";

/** The practice's own words, with placeholders that each log fills in. */
export function PracticeText({ sessionId, made }: { sessionId: string; made: AftercareView }) {
  const queries = useQueryClient();
  const [text, setText] = useState(made.template);
  const saving = useMutation({
    mutationFn: (own: string) => api.PUT("/api/aftercare", { body: { text: own } }),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["aftercare", sessionId] }),
  });
  const names = made.placeholders.map((name) => `{${name}}`).join(", ");
  return (
    <details className="border-t border-base-300 pt-2">
      <summary className="flex min-h-11 cursor-pointer items-center text-lg font-bold">
        {say.textOfPractice}
      </summary>
      <p className="text-quiet">{say.howItWorks(names)}</p>
      <textarea
        aria-label={say.textOfPractice}
        className="textarea mt-2 min-h-56 w-full text-base"
        maxLength={4000}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      {saving.error && <ProblemNote error={saving.error} />}
      <p className="mt-2 flex flex-wrap items-center gap-2">
        <Button look="main" disabled={text === made.template} onClick={() => saving.mutate(text)}>
          Save
        </Button>
        {made.template !== made.usual && <Button onClick={() => saving.mutate("")}>{say.useUsual}</Button>}
        {saving.isSuccess && <span role="status">{say.savedText}</span>}
      </p>
    </details>
  );
}
