import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { api, body, type InvitationLink } from "../../api/client";
import { peopleQuery } from "../../api/practiceQueries";
import { askAgain } from "../../api/queries";
import { say } from "../../phrases/screens/practice";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/ProblemNote";

interface Wanted {
  invited_for: string;
  role: "owner" | "therapist";
}

/** Makes a one-time link with which somebody joins. */
export function Invite() {
  const queries = useQueryClient();
  const [copied, setCopied] = useState(false);
  const form = useForm<Wanted>({ defaultValues: { invited_for: "", role: "therapist" } });
  const inviting = useMutation({
    mutationFn: (wanted: Wanted) =>
      body<InvitationLink>(api.POST("/api/people/invitations", { body: wanted })),
    onSuccess: async () => {
      setCopied(false);
      form.reset();
      await askAgain(queries, peopleQuery);
    },
  });
  return (
    <div className="mt-3 border-t border-base-300 pt-4">
      <form
        aria-label={say.inviteSomebody}
        className="flex flex-wrap items-center gap-2"
        onSubmit={form.handleSubmit((wanted) => inviting.mutate(wanted))}
      >
        <input
          className="input min-h-11 w-64"
          aria-label={say.whomYouInvite}
          placeholder={say.theirName}
          maxLength={80}
          {...form.register("invited_for")}
        />
        <select className="select min-h-11 w-36" aria-label={say.asWhat} {...form.register("role")}>
          <option value="therapist">Therapist</option>
          <option value="owner">Owner</option>
        </select>
        <Button type="submit" disabled={inviting.isPending}>
          Invite
        </Button>
      </form>
      {inviting.error && <ProblemNote error={inviting.error} />}
      {inviting.data && (
        <div role="status" className="mt-4 grid gap-3 rounded-box bg-base-200 p-5 sm:grid-cols-[1fr_auto]">
          <div>
            <p>{say.giveThemLink}</p>
            <p className="mt-2 break-all font-mono">{inviting.data.link}</p>
            <Button
              className="mt-3"
              onClick={async () => {
                await navigator.clipboard.writeText(inviting.data.link);
                setCopied(true);
              }}
            >
              {copied ? "Copied" : say.copyLink}
            </Button>
          </div>
          <div
            className="size-36 rounded-box bg-white p-1"
            // biome-ignore lint/security/noDangerouslySetInnerHtml: the server's own drawing
            dangerouslySetInnerHTML={{ __html: inviting.data.qr_svg }}
          />
        </div>
      )}
    </div>
  );
}
