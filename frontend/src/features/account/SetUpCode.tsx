import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, body, type ProposedFactor } from "../../api/client";
import { accountQuery } from "../../api/practiceQueries";
import { askAgain } from "../../api/queries";
import { say } from "../../phrases/screens/account";
import { Button } from "../../ui/Button";
import { Entry } from "../../ui/form/Entry";
import { faultOf, isToldAtFields } from "../../ui/form/faults";
import { ProblemNote } from "../../ui/ProblemNote";
import { PasswordAsked } from "./PasswordAsked";

/** Step by step: the password, the app, a first code, and the recovery codes to keep. */
export function SetUpCode({ onOpen }: { onOpen(open: boolean): void }) {
  const queries = useQueryClient();
  const [code, setCode] = useState("");
  const proposing = useMutation({
    mutationFn: (password: string) =>
      body<ProposedFactor>(api.POST("/api/account/second-factor", { body: { password } })),
    onSuccess: () => onOpen(true),
  });
  const confirming = useMutation({
    mutationFn: () => body<{ codes: string[] }>(api.PUT("/api/account/second-factor", { body: { code } })),
    onSuccess: () => askAgain(queries, accountQuery),
  });
  if (confirming.data)
    return (
      <div className="mt-4">
        <p className="font-bold">{say.keepTheseCodes}</p>
        <ul
          aria-label={say.recoveryCodes}
          className="my-4 grid w-fit grid-cols-2 gap-x-8 gap-y-1 font-mono text-lg"
        >
          {confirming.data.codes.map((one) => (
            <li key={one}>{one}</li>
          ))}
        </ul>
        <Button look="main" onClick={() => onOpen(false)}>
          {say.haveKeptThem}
        </Button>
      </div>
    );
  if (!proposing.data) return <PasswordAsked act={say.setUpCode} acting={proposing} />;
  const { secret, qr_svg } = proposing.data;
  return (
    <form
      className="mt-4"
      onSubmit={(event) => {
        event.preventDefault();
        confirming.mutate();
      }}
    >
      <p>{say.scanIt}</p>
      <div
        className="my-4 w-48 rounded-box bg-white p-2"
        // biome-ignore lint/security/noDangerouslySetInnerHtml: the server's own drawing
        dangerouslySetInnerHTML={{ __html: qr_svg }}
      />
      <p>
        {say.orTypeSecret} <code className="break-all font-mono">{secret.match(/.{1,4}/g)?.join(" ")}</code>
      </p>
      <Entry label={say.firstCode} fault={faultOf(confirming.error, "code")}>
        <input
          inputMode="numeric"
          autoComplete="one-time-code"
          className="input h-12 w-40 text-base"
          value={code}
          onChange={(event) => setCode(event.target.value)}
        />
      </Entry>
      {confirming.error && !isToldAtFields(confirming.error) && <ProblemNote error={confirming.error} />}
      <Button look="main" type="submit" className="mt-5" disabled={confirming.isPending}>
        {say.useCodeFromNowOn}
      </Button>
    </form>
  );
}
