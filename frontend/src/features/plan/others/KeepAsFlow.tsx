import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useForm } from "react-hook-form";
import { api, body, type FlowView } from "../../../api/client";
import { askAgain, flowsQuery } from "../../../api/queries";
import { say } from "../../../phrases/screens/plan/others";
import { shared } from "../../../phrases/screens/shared";
import { Button } from "../../../ui/Button";
import { ProblemNote } from "../../../ui/ProblemNote";

/** Keeping the plan that stands in the library, for other clients. */
export function KeepAsFlow({ sessionId }: { sessionId: string }) {
  const queries = useQueryClient();
  const form = useForm({ defaultValues: { name: "", note: "" } });
  const keeping = useMutation({
    mutationFn: (words: { name: string; note: string }) =>
      body<FlowView>(api.POST("/api/flows", { body: { session_id: sessionId, ...words } })),
    onSuccess: () => {
      form.reset();
      return askAgain(queries, flowsQuery);
    },
  });
  return (
    <form
      aria-label={say.keepAsFlow}
      className="mt-4 flex flex-wrap items-center gap-2 border-t border-base-300 pt-3"
      onSubmit={form.handleSubmit((words) => keeping.mutate(words))}
    >
      <span className="mr-1">{say.orKeepAsFlow}</span>
      <input
        className="input min-h-11 w-56"
        aria-label={say.nameOfFlow}
        placeholder="Name"
        maxLength={80}
        {...form.register("name", { validate: (name) => name.trim() !== "" })}
      />
      <input
        className="input min-h-11 w-72"
        aria-label={shared.whatItIsGoodFor}
        placeholder={shared.whatItIsGoodFor}
        maxLength={400}
        {...form.register("note")}
      />
      <Button type="submit" className="bg-base-100" disabled={keeping.isPending}>
        Save
      </Button>
      {form.formState.errors.name && (
        <span role="alert" className="text-accent">
          {shared.giveItAName}
        </span>
      )}
      {keeping.data && <span role="status">{say.isInLibrary(keeping.data.name)}</span>}
      {keeping.error && <ProblemNote error={keeping.error} />}
    </form>
  );
}
