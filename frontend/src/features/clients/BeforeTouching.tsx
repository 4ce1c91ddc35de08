import { Link } from "@tanstack/react-router";
import type { ClientPage } from "../../api/client";
import { useCatalogue } from "../../api/useCatalogue";
import { type Caution, cautionsOf, consentsOf, keptOff } from "../../meeting/know";
import { say } from "../../phrases/screens/clients/page";
import { shared } from "../../phrases/screens/shared";
import { longDate } from "../../phrases/time";
import { listed } from "../../phrases/words";

const LEVELS: Record<Caution["level"], string> = {
  refer: say.noSessionRefer,
  ask: shared.clinicianFirst,
  adapt: "Adapt",
};

/** Stop signs and cautions with their meaning, places to keep off, consents, and what is still to be read or asked. */
export function BeforeTouching({ client }: { client: ClientPage }) {
  const catalogue = useCatalogue();
  const cautions = cautionsOf(client.restrictions);
  const off = keptOff(client, catalogue);
  const unplaced = client.restrictions.unplaced ?? [];
  const unread = client.intakes.find((intake) => intake.handed_in_at && !intake.reviewed_at);
  return (
    <section
      aria-label="Before touching"
      className="mt-4 rounded-box bg-base-200 px-6 py-5 text-lg desk:mt-2 desk:py-3"
    >
      {unread && (
        <p className="mb-2">
          <Link
            to="/clients/$clientId/intake/$intakeId"
            params={{ clientId: client.client_id, intakeId: unread.intake_id }}
            className="font-bold text-accent underline underline-offset-4"
          >
            <span aria-hidden="true">△ </span>
            {shared.readTheIntakeFirst}
          </Link>
        </p>
      )}
      {client.record.know_first && <p className="font-bold">{client.record.know_first}</p>}
      <ul>
        {cautions.map(({ level, words, means }) => (
          <li key={words + means} className="py-1">
            <span className={level === "adapt" ? "font-bold" : "font-bold text-accent"}>
              <span aria-hidden="true">{level === "adapt" ? "○" : "△"} </span>
              {LEVELS[level]}: {words}.
            </span>{" "}
            {means}
          </li>
        ))}
        {client.ahead.map(({ on, weeks, says }) => (
          <li key={weeks + says} className="py-1 text-quiet">
            {say.changesFrom(weeks, longDate(on), says)}
          </li>
        ))}
        {unplaced.map(({ condition, name }) => (
          <li key={condition} className="py-1">
            <span className="font-bold text-accent">
              <span aria-hidden="true">△ </span>
              {say.askWhere}
            </span>{" "}
            {name}
          </li>
        ))}
        {off.map((place) => (
          <li key={place} className="py-1">
            <span className="font-bold text-accent">
              <span aria-hidden="true">△ </span>Keep off:
            </span>{" "}
            {place}
          </li>
        ))}
        {client.to_ask.map(({ item, note }) => (
          <li key={item.id} className="py-1">
            <span className="font-bold text-accent">
              <span aria-hidden="true">△ </span>To ask:
            </span>{" "}
            {item.about}, {item.answer}
            {note && ` (${note})`}
          </li>
        ))}
      </ul>
      {cautions.length + off.length === 0 && <p>{say.nothingRestricts}</p>}
      <ConsentLine client={client} />
    </section>
  );
}

function ConsentLine({ client }: { client: ClientPage }) {
  const catalogue = useCatalogue();
  const consents = consentsOf(client, catalogue);
  const those = (answer: string) =>
    listed(consents.filter((one) => one.answer === answer).map((one) => one.asks.toLowerCase()));
  return (
    <p className="mt-2">
      {those("no") && (
        <>
          <span className="font-bold">{say.saidNoTo}</span> {those("no")}.{" "}
        </>
      )}
      {those("through_cloth") && <>{say.throughSheetOnly(those("through_cloth"))} </>}
      {those("yes") && <>{say.saidYesTo(those("yes"))} </>}
      {those("not asked") && <span className="text-quiet">{say.notAsked(those("not asked"))}</span>}
    </p>
  );
}
