import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useForm } from "react-hook-form";
import { api } from "../../api/client";
import { accountQuery } from "../../api/practiceQueries";
import { askAgain } from "../../api/queries";
import { say } from "../../phrases/screens/account";
import { Button } from "../../ui/Button";
import { Entry } from "../../ui/form/Entry";
import { faultOf, isToldAtFields } from "../../ui/form/faults";
import { PasswordInput } from "../../ui/form/PasswordInput";
import { ProblemNote } from "../../ui/ProblemNote";
import { Section } from "../../ui/Section";

export function ChangePassword() {
  const queries = useQueryClient();
  const form = useForm({ defaultValues: { old: "", new: "" } });
  const changing = useMutation({
    mutationFn: (change: { old: string; new: string }) => api.PUT("/api/account/password", { body: change }),
    onSuccess: async () => {
      form.reset();
      await askAgain(queries, accountQuery);
    },
  });
  return (
    <Section narrow title={say.changePassword}>
      <form noValidate onSubmit={form.handleSubmit((change) => changing.mutate(change))}>
        <Entry label={say.passwordNow} fault={faultOf(changing.error, "old")}>
          <PasswordInput autoComplete="current-password" {...form.register("old", { required: true })} />
        </Entry>
        <Entry label={say.newPassword} hint={say.othersAreSignedOut} fault={faultOf(changing.error, "new")}>
          <PasswordInput autoComplete="new-password" {...form.register("new", { required: true })} />
        </Entry>
        {changing.error && !isToldAtFields(changing.error) && <ProblemNote error={changing.error} />}
        <Button look="main" type="submit" className="mt-5" disabled={changing.isPending}>
          {say.changeIt}
        </Button>
        {changing.isSuccess && !form.formState.isDirty && (
          <span role="status" className="ml-4">
            {say.passwordChanged}
          </span>
        )}
      </form>
    </Section>
  );
}
