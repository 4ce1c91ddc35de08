import { useForm } from "react-hook-form";
import type { FlowView } from "../../api/client";
import { say } from "../../phrases/screens/flows";
import { shared } from "../../phrases/screens/shared";
import { Button } from "../../ui/Button";
import type { Describing } from "./useLibrary";

/** Another name and another word on what it is good for. */
export function DescribeFlow({
  flow,
  onDescribe,
}: {
  flow: FlowView;
  onDescribe(words: Partial<Describing>): void;
}) {
  const form = useForm({ defaultValues: { name: flow.name, note: flow.note } });
  return (
    <form
      aria-label={say.rename(flow.name)}
      className="mt-2 flex flex-wrap items-center gap-2 rounded-box bg-base-200 px-5 py-4"
      onSubmit={form.handleSubmit(onDescribe)}
    >
      <input
        className="input min-h-11 w-64"
        aria-label="Name"
        maxLength={80}
        {...form.register("name", { validate: (name) => name.trim() !== "" })}
      />
      <input
        className="input min-h-11 w-full sm:w-[28rem]"
        aria-label={shared.whatItIsGoodFor}
        maxLength={400}
        {...form.register("note")}
      />
      <Button look="main" type="submit">
        {shared.save}
      </Button>
      {form.formState.errors.name && (
        <span role="alert" className="text-accent">
          {shared.giveItAName}
        </span>
      )}
    </form>
  );
}
