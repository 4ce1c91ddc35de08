import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useForm } from "react-hook-form";
import { type Account, api } from "../../api/client";
import { accountQuery } from "../../api/practiceQueries";
import { askAgain, meQuery } from "../../api/queries";
import { say } from "../../phrases/screens/account";
import { shared } from "../../phrases/screens/shared";
import { Button } from "../../ui/Button";
import { Entry } from "../../ui/form/Entry";
import { faultOf, isToldAtFields } from "../../ui/form/faults";
import { PasswordInput } from "../../ui/form/PasswordInput";
import { ProblemNote } from "../../ui/ProblemNote";
import { Section } from "../../ui/Section";

export function NameAndEmail({ account }: { account: Account }) {
  const queries = useQueryClient();
  const form = useForm({ values: { name: account.name, email: account.email, password: "" } });
  const changing = useMutation({
    mutationFn: (change: { name: string; email: string; password: string }) =>
      api.PUT("/api/account", { body: change }),
    onSuccess: () => Promise.all([askAgain(queries, accountQuery), askAgain(queries, meQuery)]),
  });
  const otherEmail = form.watch("email").trim().toLowerCase() !== account.email;
  const { errors, isDirty } = form.formState;
  return (
    <Section narrow title={say.whoYouAre}>
      <form noValidate onSubmit={form.handleSubmit((change) => changing.mutate(change))}>
        <Entry label="Name" hint={say.whoSeesYourName} fault={errors.name && shared.giveName}>
          <input
            className="input h-12 w-full text-base"
            autoComplete="name"
            maxLength={120}
            {...form.register("name", { validate: (name) => name.trim() !== "" })}
          />
        </Entry>
        <Entry label="E-mail" fault={faultOf(changing.error, "email")}>
          <input
            type="email"
            className="input h-12 w-full text-base"
            autoComplete="email"
            maxLength={254}
            {...form.register("email", { required: true })}
          />
        </Entry>
        {otherEmail && (
          <Entry label={say.yourPassword} hint={say.whyPassword} fault={faultOf(changing.error, "password")}>
            <PasswordInput autoComplete="current-password" {...form.register("password")} />
          </Entry>
        )}
        {changing.error && !isToldAtFields(changing.error) && <ProblemNote error={changing.error} />}
        <Button look="main" type="submit" className="mt-5" disabled={!isDirty || changing.isPending}>
          Save
        </Button>
        {changing.isSuccess && !isDirty && (
          <span role="status" className="ml-4">
            {say.saved}
          </span>
        )}
      </form>
    </Section>
  );
}
