import { useQuery } from "@tanstack/react-query";
import { useRouterState } from "@tanstack/react-router";
import { useEffect } from "react";
import { houseQuery } from "../../api/practiceQueries";
import { catalogueQuery, meQuery } from "../../api/queries";
import { say } from "../../phrases/screens/practice";
import { say as machines } from "../../phrases/screens/practice/machines";
import { say as schools } from "../../phrases/screens/practice/schools";
import { shared } from "../../phrases/screens/shared";
import { ProblemNote } from "../../ui/ProblemNote";
import { Waiting } from "../../ui/Waiting";
import { AboutPractice } from "./AboutPractice";
import { House } from "./house/House";
import { Machines } from "./machines/Machines";
import { PeopleList } from "./PeopleList";
import { YourHours } from "./YourHours";

/** Practice settings: how one works there and with what, who works there, what it is called and where it is. */
export function PracticePage() {
  const me = useQuery(meQuery).data;
  const house = useQuery(houseQuery);
  const catalogue = useQuery(catalogueQuery);
  const may = me?.may.includes("change_house") ?? false;
  if (!me) return <Waiting what={say.openingSettings} />;
  return (
    <>
      <h1 className="text-3xl">{me.practice}</h1>
      <p className="mt-1 text-quiet">{say.settings}</p>
      <Contents />
      {!house.data && !house.error && <Waiting what={say.readingHouse} shape="list" />}
      {house.error && <ProblemNote error={house.error} onAgain={() => house.refetch()} />}
      {house.data && catalogue.data && (
        <>
          <House shown={{ house: house.data, timeZone: me.time_zone, may }} />
          <YourHours />
          <Machines timeZone={me.time_zone} demo={me.demo} mayPair={me.may.includes("pair_machine")} />
          <ScrollToAnchor />
        </>
      )}
      <PeopleList me={me} />
      <AboutPractice me={me} />
    </>
  );
}

const PARTS = [
  ["work", say.howWeWork],
  ["consent", say.whatWeAsk],
  ["room", say.whatWeHave],
  ["skin", say.onTheSkin],
  ["kinds", say.kindsWeOffer],
  ["schools", schools.howMuchOfWhat],
  ["seconds", say.howLongThingsTake],
  ["hours", shared.yourHours],
  ["machines", machines.machines],
] as const;

/** What the page has, to go to. */
function Contents() {
  return (
    <nav aria-label={say.onThisPage} className="mt-4 flex flex-wrap gap-x-6">
      {PARTS.map(([anchor, title]) => (
        <a
          key={anchor}
          href={`#${anchor}`}
          className="flex min-h-11 items-center underline decoration-tide/60 underline-offset-4"
        >
          {title}
        </a>
      ))}
    </nav>
  );
}

/** Goes to the part that the address names, once it is there. */
function ScrollToAnchor() {
  const anchor = useRouterState({ select: (state) => state.location.hash });
  useEffect(() => document.getElementById(anchor)?.scrollIntoView(), [anchor]);
  return null;
}
