import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, type Me, type PeopleHere } from "../../api/client";
import { peopleQuery } from "../../api/practiceQueries";
import { askAgain, meQuery } from "../../api/queries";
import { say } from "../../phrases/screens/practice";
import { shortDay } from "../../phrases/time";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/ProblemNote";
import { Section } from "../../ui/Section";
import { Waiting } from "../../ui/Waiting";
import { Invite } from "./Invite";
import { LetGo } from "./LetGo";

type Member = PeopleHere["members"][number];

/** Who works in the practice, who is invited, and what each may do. */
export function PeopleList({ me }: { me: Me }) {
  const people = useQuery(peopleQuery);
  const mayChange = me.may.includes("change_role");
  return (
    <Section narrow title="People" intro={say.whatEachMay}>
      {people.isPending && <Waiting what={say.listingPeople} />}
      {people.error && <ProblemNote error={people.error} onAgain={() => people.refetch()} />}
      <ul aria-label="People" className="mt-3">
        {people.data?.members.map((member) => (
          <MemberLine key={member.person_id} member={member} mayChange={mayChange} />
        ))}
        {people.data?.invitations.map((one) => (
          <InvitationLine
            key={one.invitation_id}
            invitation={one}
            timeZone={me.time_zone}
            mayChange={mayChange}
          />
        ))}
      </ul>
      {me.may.includes("invite_person") && <Invite />}
      {me.demo && <p className="mt-3 text-quiet">{say.demoInvitesNobody}</p>}
    </Section>
  );
}

function MemberLine({ member, mayChange }: { member: Member; mayChange: boolean }) {
  const queries = useQueryClient();
  const { person_id } = member;
  const changing = useMutation({
    mutationFn: (role: Member["role"]) =>
      api.PUT("/api/people/{person_id}/role", { params: { path: { person_id } }, body: { role } }),
    onSettled: () => Promise.all([askAgain(queries, peopleQuery), askAgain(queries, meQuery)]),
  });
  return (
    <li className="border-t border-base-300 py-2">
      <div className="flex min-h-12 flex-wrap items-center gap-x-4 gap-y-2">
        <span className="min-w-0 flex-1">
          <span className="font-bold">{member.name}</span>
          {member.present && <span className="text-quiet"> {say.you}</span>}
          <br />
          <span className="break-all text-quiet">{member.email}</span>
        </span>
        {mayChange ? (
          <select
            className="select min-h-11 w-36"
            aria-label={say.roleOf(member.name)}
            value={member.role}
            disabled={changing.isPending}
            onChange={(event) => changing.mutate(event.target.value as Member["role"])}
          >
            <option value="owner">Owner</option>
            <option value="therapist">Therapist</option>
          </select>
        ) : (
          <span>{member.role}</span>
        )}
        {mayChange && !member.present && <LetGo member={member} />}
      </div>
      {changing.error && <ProblemNote error={changing.error} />}
    </li>
  );
}

function InvitationLine(props: {
  invitation: PeopleHere["invitations"][number];
  timeZone: string;
  mayChange: boolean;
}) {
  const { invitation_id, invited_for, role, expires_at } = props.invitation;
  const queries = useQueryClient();
  const withdrawing = useMutation({
    mutationFn: () =>
      api.DELETE("/api/people/invitations/{invitation_id}", { params: { path: { invitation_id } } }),
    onSettled: () => askAgain(queries, peopleQuery),
  });
  return (
    <li className="border-t border-base-300 py-2">
      <div className="flex min-h-12 flex-wrap items-center gap-x-4">
        <span className="flex-1">
          <span className="font-bold">{invited_for || say.somebody}</span>{" "}
          <span className="text-quiet">
            {say.invitedAs(role, shortDay(expires_at, props.timeZone, new Date()))}
          </span>
        </span>
        {props.mayChange && (
          <Button disabled={withdrawing.isPending} onClick={() => withdrawing.mutate()}>
            Withdraw
          </Button>
        )}
      </div>
      {withdrawing.error && <ProblemNote error={withdrawing.error} />}
    </li>
  );
}
