import type { UseMutationResult } from "@tanstack/react-query";
import { useState } from "react";
import { say } from "../../phrases/screens/account";
import { Button } from "../../ui/Button";
import { Entry } from "../../ui/form/Entry";
import { faultOf, isToldAtFields } from "../../ui/form/faults";
import { PasswordInput } from "../../ui/form/PasswordInput";
import { ProblemNote } from "../../ui/ProblemNote";

/** An act for which the password is asked, once it is wanted. */
export function PasswordAsked<Made>(props: { act: string; acting: UseMutationResult<Made, Error, string> }) {
  const { act, acting } = props;
  const [asked, setAsked] = useState(false);
  const [password, setPassword] = useState("");
  if (!asked)
    return (
      <Button className="mt-4" onClick={() => setAsked(true)}>
        {act}
      </Button>
    );
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        acting.mutate(password);
      }}
    >
      <Entry label={say.yourPassword} fault={faultOf(acting.error, "password")}>
        <PasswordInput
          autoComplete="current-password"
          autoFocus
          value={password}
          onChange={(event) => setPassword(event.target.value)}
        />
      </Entry>
      {acting.error && !isToldAtFields(acting.error) && <ProblemNote error={acting.error} />}
      <div className="mt-4 flex gap-3">
        <Button look="main" type="submit" disabled={acting.isPending}>
          {act}
        </Button>
        <Button onClick={() => setAsked(false)}>Cancel</Button>
      </div>
    </form>
  );
}
