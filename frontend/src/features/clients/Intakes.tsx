import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Link } from "@tanstack/react-router";
import { api, body, type ClientPage, type IntakeLink } from "../../api/client";
import { clientQuery, meQuery } from "../../api/queries";
import { signOut } from "../../api/signOut";
import { say } from "../../phrases/screens/clients/page";
import { dayAndTime } from "../../phrases/time";
import { capital } from "../../phrases/words";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/ProblemNote";

/** A form for the client: on their own phone by a link that opens once, or on this tablet handed over. */
export function Intakes({ client }: { client: ClientPage }) {
  const queries = useQueryClient();
  const timeZone = useQuery(meQuery).data?.time_zone ?? "UTC";
  const make = () =>
    body<IntakeLink>(
      api.POST("/api/clients/{client_id}/intakes", { params: { path: { client_id: client.client_id } } }),
    );
  const making = useMutation({
    mutationFn: make,
    onSuccess: () => queries.invalidateQueries({ queryKey: clientQuery(client.client_id).queryKey }),
  });
  const handing = useMutation({
    mutationFn: async () => {
      const { token } = await make();
      // Whoever holds the tablet next is not the therapist; the load that follows forgets what this page knew.
      await signOut();
      location.replace(`/intake#${token}`);
    },
  });
  const withdrawing = useMutation({
    mutationFn: (intake_id: string) =>
      api.POST("/api/intakes/{intake_id}/withdraw", { params: { path: { intake_id } } }),
    onSuccess: () => queries.invalidateQueries({ queryKey: clientQuery(client.client_id).queryKey }),
  });
  const problem = making.error ?? handing.error ?? withdrawing.error;
  const when = (at: string) => dayAndTime(at, timeZone, new Date());
  return (
    <div className="grid grid-cols-1 gap-4">
      <div className="flex flex-wrap gap-3">
        <Button className="bg-base-100" onClick={() => making.mutate()} disabled={making.isPending}>
          {say.linkForTheirOwnPhone}
        </Button>
        <Button
          className="h-auto shrink bg-base-100 py-1.5"
          onClick={() => handing.mutate()}
          disabled={handing.isPending}
        >
          {say.handOverTheTablet}
        </Button>
      </div>
      {problem && <ProblemNote error={problem} />}
      {making.data && <TheLink link={making.data} until={when(making.data.expires_at)} />}
      {client.intakes.length > 0 && (
        <ul aria-label="Intakes">
          {client.intakes.map((intake) => (
            <li key={intake.intake_id} className="border-t border-base-300 py-2">
              {intake.handed_in_at ? (
                <Link
                  to="/clients/$clientId/intake/$intakeId"
                  params={{ clientId: client.client_id, intakeId: intake.intake_id }}
                  className="inline-flex min-h-11 items-center underline underline-offset-4"
                >
                  {say.handedIn(when(intake.handed_in_at), intake.reviewed_at ? "read" : "to be read")}
                </Link>
              ) : (
                <span className="flex flex-wrap items-center gap-x-4">
                  <span className="text-quiet">{capital(waitsFor(intake, when))}</span>
                  {new Date(intake.expires_at) > new Date() && (
                    <Button
                      look="quiet"
                      disabled={withdrawing.isPending}
                      onClick={() => withdrawing.mutate(intake.intake_id)}
                    >
                      {say.withdrawLink}
                    </Button>
                  )}
                </span>
              )}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

function waitsFor(intake: ClientPage["intakes"][number], when: (at: string) => string): string {
  if (new Date(intake.expires_at) < new Date()) return say.endedNotHandedIn(when(intake.expires_at));
  if (intake.opened_at) return say.beingFilledInSince(when(intake.opened_at));
  return say.notOpenedYet(when(intake.expires_at));
}

function TheLink({ link, until }: { link: IntakeLink; until: string }) {
  return (
    <div role="status" className="grid gap-6 rounded-box bg-base-100 px-6 py-5 sm:grid-cols-[13rem_1fr]">
      <div
        role="img"
        aria-label={say.qrCodeOfLink}
        // biome-ignore lint/security/noDangerouslySetInnerHtml: the server draws it, of our own link
        dangerouslySetInnerHTML={{ __html: link.qr_svg }}
      />
      <div className="min-w-0">
        <p>{say.howTheLinkWorks(until)}</p>
        <input
          className="input mt-3 min-h-11 w-full"
          aria-label="The link"
          readOnly
          value={link.link}
          onFocus={(event) => event.target.select()}
        />
        <Button className="mt-2" onClick={() => navigator.clipboard?.writeText(link.link)}>
          Copy
        </Button>
      </div>
    </div>
  );
}
