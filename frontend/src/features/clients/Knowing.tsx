import { useQuery } from "@tanstack/react-query";
import { Link } from "@tanstack/react-router";
import type { ReactNode } from "react";
import type { ClientPage as Client } from "../../api/client";
import { meQuery } from "../../api/queries";
import { useCatalogue } from "../../api/useCatalogue";
import { howKnown } from "../../phrases/known";
import { say } from "../../phrases/screens/clients/page";
import { shared } from "../../phrases/screens/shared";
import { dayAndTime, shortDay } from "../../phrases/time";
import { capital, depthWord, listed, placeName } from "../../phrases/words";
import { BeforeTouching } from "./BeforeTouching";
import { Consents } from "./describing/Consents";
import { useDescribe } from "./describing/useDescribe";
import { More } from "./More";
import { WishesPlan } from "./WishesPlan";

/** What is known of a client, in the order in which it must be known; what is of today follows what to know first. */
export function Knowing(props: { client: Client; children?: ReactNode }) {
  const { client } = props;
  const describe = useDescribe(client);
  return (
    <>
      {!props.children && <More client={client} describe={describe} />}
      <BeforeTouching client={client} />
      {props.children}
      <div className="mt-8 grid gap-10 lg:grid-cols-2 desk:mt-5 desk:grid-cols-[0.9fr_0.7fr_1.1fr] desk:gap-8">
        <Wishes client={client} />
        <div className="grid content-start gap-8">
          <Visits client={client} />
          <SorePoints client={client} />
        </div>
        <Consents client={client} describe={describe} />
      </div>
      {props.children && <More client={client} describe={describe} />}
    </>
  );
}

function Wishes({ client }: { client: Client }) {
  const catalogue = useCatalogue();
  const { wishes, likes, dislikes, tension, aims } = client.record;
  const named = (ids: readonly string[]) =>
    listed(ids.map((id) => catalogue.strokes[id]?.name ?? catalogue.tools[id]?.name ?? id));
  const comfort = comfortOf(client.record);
  const timeZone = useQuery(meQuery).data?.time_zone ?? "UTC";
  const since = (region: string) => {
    const known = client.since[`wishes ${region}`];
    if (!known) return "";
    const before = known.change.before ? `before: ${known.change.before}` : "";
    return [before, howKnown(known), shortDay(known.at, timeZone, new Date())].filter(Boolean).join(" · ");
  };
  return (
    <section aria-label="Wishes">
      <h2 className="text-2xl">Wishes</h2>
      {aims && <p className="mt-1 italic">“{aims}”</p>}
      <WishesPlan client={client} />
      {wishes.length === 0 && <p className="mt-1">{say.noWishByRegion}</p>}
      <ul className="mt-1 space-y-1">
        {wishes.map(({ region, depth }) => (
          <li key={region}>
            <span className="font-bold">{capital(catalogue.regions[region]?.whole ?? region)}</span>: depth{" "}
            {depth}, {depthWord[Math.floor(depth)]}
            <span className="block text-sm text-quiet">{since(region)}</span>
          </li>
        ))}
      </ul>
      {tension.length > 0 && (
        <p className="mt-1">
          {say.carriesTension(listed(tension.map((place) => placeName(place, catalogue))))}
        </p>
      )}
      {likes.length > 0 && <p className="mt-1">{say.likes(named(likes))}</p>}
      {dislikes.length > 0 && <p>{say.doesNotLike(named(dislikes))}</p>}
      {comfort && <p className="mt-1">{comfort}</p>}
    </section>
  );
}

/** Sore points by visit, before and after; a number is never a diagnosis. */
function SorePoints({ client }: { client: Client }) {
  const catalogue = useCatalogue();
  const timeZone = useQuery(meQuery).data?.time_zone ?? "UTC";
  if (client.sore.length === 0) return null;
  return (
    <section aria-label="Sore points">
      <h2 className="text-2xl">Sore points</h2>
      {client.sore.map(({ session_id, starts_at, points }) => (
        <div key={session_id} className="mt-1">
          <p className="text-quiet">{capital(shortDay(starts_at, timeZone, new Date()))}</p>
          <ul>
            {points.map((point) => (
              <li key={point.id}>
                <span className="font-bold">{capital(placeName(point, catalogue))}</span>
                <span className="numbers"> {point.numbers?.join(", ") || "no number"}</span>
                {point.travels?.length ? shared.travelsTo(listed(point.travels)) : ""}
                {point.left && <span className="text-quiet"> {say.comeBackToIt}</span>}
              </li>
            ))}
          </ul>
        </div>
      ))}
    </section>
  );
}

const COMFORT = {
  oil: { usual: say.oilAsUsual, little: "little oil", none: "no oil" },
  warmth: { warm: "warm", usual: say.warmthAsUsual, cool: "cool" },
  talk: { quiet: "quiet", some: say.littleTalk, talk: say.likesToTalk },
  music: { none: "no music", soft: "music, softly" },
};

function comfortOf({ oil, warmth, talk, music }: Client["record"]): string {
  const words = [
    oil && COMFORT.oil[oil],
    warmth && COMFORT.warmth[warmth],
    talk && COMFORT.talk[talk],
    music && COMFORT.music[music],
  ].filter(Boolean);
  return words.length ? `${capital(words.join(", "))}.` : "";
}

function Visits({ client }: { client: Client }) {
  const catalogue = useCatalogue();
  const timeZone = useQuery(meQuery).data?.time_zone ?? "UTC";
  const last = client.visits.find((visit) => visit.log);
  return (
    <section aria-label="Visits">
      <h2 className="text-2xl">Visits</h2>
      {last?.log && (
        <p className="mt-1">
          {last.log.note}
          {last.log.next_time && (
            <>
              {" "}
              <span className="font-bold">Next time:</span> {last.log.next_time}
            </>
          )}
        </p>
      )}
      {client.visits.length === 0 && <p className="mt-1">{say.noneYet}</p>}
      <ul className="mt-2">
        {client.visits.map((visit) => (
          <li key={visit.session_id} className="border-t border-base-300">
            <Link
              to={visit.log ? "/session/$sessionId/log" : "/session/$sessionId/plan"}
              params={{ sessionId: visit.session_id }}
              className="block min-h-11 rounded-field px-2 py-2 hover:bg-base-200"
            >
              {capital(dayAndTime(visit.starts_at, timeZone, new Date()))}: {visit.brief.booked_minutes}{" "}
              minutes, {catalogue.kinds[visit.brief.kind ?? ""]?.name}
              {visit.log && <span className="text-quiet"> logged</span>}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
