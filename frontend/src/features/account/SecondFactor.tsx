import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { type Account, api } from "../../api/client";
import { accountQuery } from "../../api/practiceQueries";
import { askAgain } from "../../api/queries";
import { say } from "../../phrases/screens/account";
import { Section } from "../../ui/Section";
import { PasswordAsked } from "./PasswordAsked";
import { SetUpCode } from "./SetUpCode";

/** A code from an authenticator app, asked for beside the password. */
export function SecondFactor({ account }: { account: Account }) {
  const queries = useQueryClient();
  const [open, setOpen] = useState(false);
  const ending = useMutation({
    mutationFn: (password: string) => api.POST("/api/account/second-factor/end", { body: { password } }),
    onSuccess: () => askAgain(queries, accountQuery),
  });
  return (
    <Section narrow title={say.codeToSignIn}>
      <p className="mt-2">
        {account.second_factor ? say.codeIsAsked(account.recovery_codes) : say.whatCodeIsFor}
      </p>
      {account.second_factor && !open ? (
        <PasswordAsked act={say.switchCodeOff} acting={ending} />
      ) : (
        <SetUpCode onOpen={setOpen} />
      )}
    </Section>
  );
}
