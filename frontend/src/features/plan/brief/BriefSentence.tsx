import type { Brief } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { say } from "../../../phrases/screens/plan/brief";
import { shared } from "../../../phrases/screens/shared";
import { focusWords } from "../../../phrases/today";
import { capital, listed, placeName } from "../../../phrases/words";
import { MinutesPanel } from "./briefPanels";
import { makeBriefWords } from "./briefWords";
import { briefOfKind, closingsOf, offeredRegions, positionsOf, schoolsOf } from "./kinds";
import { PointsPanel } from "./PointsPanel";
import { RegionsPanel } from "./RegionsPanel";
import { StrokesPanel } from "./StrokesPanel";
import { strokeWords } from "./strokeWishes";

interface Props {
  brief: Brief;
  /** Which way up the planned flow begins: `prone first`. */
  wayUp: string;
  problem: unknown;
  /** A session that has begun: the words no longer open. */
  fixed: boolean;
  onChange(patch: Partial<Brief>): void;
}

const PRESSURES = {
  light: say.lightPressure,
  medium: say.mediumPressure,
  firm: say.firmPressure,
} as const;

const VISITS = {
  false: say.returningChoice,
  true: say.firstVisitChoice,
} as const;

const FINISHES = {
  calm: say.calmEnd,
  bright: say.brightEnd,
} as const;

/** The brief as one sentence whose words open in place. */
export function BriefSentence({ brief, wayUp, problem, fixed, onChange }: Props) {
  const catalogue = useCatalogue();
  const { word, choice } = makeBriefWords({ brief, problem, fixed, onChange });
  const names = (ids: readonly string[]) => listed(ids.map((id) => catalogue.regions[id]?.whole ?? id));
  const named = (entries: { id: string; name: string }[]) =>
    Object.fromEntries(entries.map(({ id, name }) => [id, capital(name)]));
  const leaveOut = brief.leave_out ?? [];
  const points = brief.points ?? [];
  const kind = catalogue.kinds[brief.kind ?? ""];
  const schools = schoolsOf(brief.kind ?? "", catalogue, brief.school);
  const positions = positionsOf(brief, catalogue);
  const offered = offeredRegions(brief, catalogue);
  return (
    <p className="chips max-w-[84ch] font-serif text-[1.3rem] leading-relaxed sm:text-[1.45rem] max-sm:-mx-4 max-sm:overflow-x-auto max-sm:px-4 max-sm:pb-1 max-sm:text-[1.05rem] max-sm:whitespace-nowrap desk:max-w-none desk:text-[1.2rem] desk:leading-[1.6]">
      {!kind?.open_ended && (
        <>
          {word("Booked minutes", "booked_minutes", shared.minutes(brief.booked_minutes), (close) => (
            <MinutesPanel
              minutes={brief.booked_minutes}
              usual={kind?.usual_minutes ?? []}
              onChoose={(booked_minutes) => onChange({ booked_minutes })}
              onDone={close}
            />
          ))}
          {" for "}
          {choice(
            "Who",
            "first_visit",
            brief.first_visit ? say.firstVisit : say.returning,
            say.hasClientBeenHereBefore,
            VISITS,
            (first) => ({ first_visit: first === "true" }),
          )}
          ,{" "}
        </>
      )}
      {choice(
        shared.kindOfSession,
        "kind",
        kind?.name ?? "",
        say.whatKindOfSession,
        named(Object.values(catalogue.kinds).filter(({ id, offered }) => offered || id === brief.kind)),
        (id) => briefOfKind(brief, id, catalogue),
      )}
      {kind?.area && kind.area.length > 0 && (
        <>
          {" on "}
          {choice(
            say.partOfBody,
            "area",
            kind.area.find((area) => area.id === brief.area)?.name ?? say.whichPart,
            say.whichPartOfBody,
            named([...kind.area]),
            (area) => ({
              area,
              focus: [],
              close_with: kind.area?.find(({ id }) => id === area)?.closing ?? brief.close_with,
            }),
          )}
        </>
      )}
      {schools.length > 1 && (
        <>
          ,{" "}
          {choice(
            "Order",
            "school",
            catalogue.schools[brief.school ?? ""]?.name ?? "",
            say.inWhatOrder,
            named(schools),
            (school) => ({ school, first_position: null }),
          )}
        </>
      )}
      ,{" "}
      {positions.length > 1
        ? choice(
            "Begins",
            "first_position",
            wayUp,
            say.howDoesClientLieFirst,
            named(positions.map((id) => ({ id, name: catalogue.positions[id]?.name ?? id }))),
            (first_position) => ({ first_position }),
          )
        : wayUp}
      , with{" "}
      {word("Focus", "focus", focusWords(brief, names) || say.noPartAboveOthers, () => (
        <RegionsPanel
          question={say.whereDoesClientWantMore}
          asked="focus"
          brief={brief}
          offered={offered}
          onChange={onChange}
        />
      ))}
      , leaving out{" "}
      {word("Leave out", "leave_out", leaveOut.length ? names(leaveOut) : "nothing", () => (
        <RegionsPanel
          question={say.whatToLeaveOut}
          asked="leave_out"
          brief={brief}
          offered={offered}
          onChange={onChange}
        />
      ))}
      {!kind?.open_ended && (
        <>
          , with{" "}
          {word(
            "Sore points",
            "points",
            points.length
              ? say.sorePoints(listed(points.map((one) => placeName(one, catalogue))))
              : say.noSorePoints,
            () => (
              <PointsPanel points={points} onChange={(chosen) => onChange({ points: chosen })} />
            ),
          )}
        </>
      )}
      ,{" "}
      {word("Strokes", "without_strokes", strokeWords(brief, catalogue), () => (
        <StrokesPanel wishes={brief} onChange={onChange} />
      ))}
      , at{" "}
      {choice("Pressure", "pressure", say.pressure(brief.pressure), say.howStrong, PRESSURES, (pressure) => ({
        pressure: pressure as Brief["pressure"],
      }))}
      {kind?.lubricant === "yes" && (
        <>
          , with{" "}
          {choice(
            "Lubricant",
            "lubricant",
            catalogue.lubricants[brief.lubricant ?? ""]?.name ?? "",
            say.whatGoesOnSkin,
            named(
              Object.values(catalogue.lubricants).filter(
                ({ id, in_stock }) => in_stock || id === brief.lubricant,
              ),
            ),
            (lubricant) => ({ lubricant }),
          )}
        </>
      )}
      {kind?.surface === "chair" && (
        <>
          , to end{" "}
          {choice("Finish", "finish", brief.finish ?? "calm", say.howDoesItEnd, FINISHES, (finish) => ({
            finish: finish as Brief["finish"],
          }))}
        </>
      )}
      , closing{" "}
      {choice(
        "Close with",
        "close_with",
        catalogue.closings[brief.close_with ?? ""]?.name ?? "",
        say.whereDoesItRest,
        named(closingsOf(brief.kind ?? "", catalogue)),
        (close_with) => ({ close_with }),
      )}
      .
    </p>
  );
}
