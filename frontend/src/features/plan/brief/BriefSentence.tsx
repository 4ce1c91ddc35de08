import { type Brief, Problem } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { capital, listed } from "../../../phrases/words";
import { OpenWord } from "../../../ui/OpenWord";
import { ChoicePanel, FieldFault, MinutesPanel, RegionsPanel } from "./briefPanels";
import { briefOfKind, closingsOf, offeredRegions, positionsOf, schoolsOf } from "./kinds";

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
  light: "Light: the middle of the arc at depth 2 of 5",
  medium: "Medium: depth 3 of 5",
  firm: "Firm: depth 4 of 5",
} as const;

const VISITS = {
  false: "A returning client",
  true: "A first visit: more time to talk, less on the table",
} as const;

const FINISHES = {
  calm: "Calm: slower and lighter to the end",
  bright: "Bright: a few rousing strokes before the last hold",
} as const;

/** The brief as one sentence whose words open in place. */
export function BriefSentence({ brief, wayUp, problem, fixed, onChange }: Props) {
  const catalogue = useCatalogue();
  const fault = (field: string) => (problem instanceof Problem ? problem.forField(field) : undefined);
  const names = (ids: readonly string[]) => listed(ids.map((id) => catalogue.regions[id]?.whole ?? id));
  const word = (about: string, field: string, text: string, panel: (close: () => void) => React.ReactNode) =>
    fixed ? (
      <span>{text}</span>
    ) : (
      <OpenWord
        about={about}
        faulty={Boolean(fault(field))}
        panel={(close) => (
          <>
            {panel(close)}
            <FieldFault fault={fault(field)} />
          </>
        )}
      >
        {text}
      </OpenWord>
    );
  /** A word that is one of several, each by its id. */
  const choice = <Field extends keyof Brief>(
    about: string,
    field: Field,
    text: string,
    question: string,
    options: Record<string, string>,
    patch: (id: string) => Partial<Brief>,
  ) =>
    word(about, field, text, (close) => (
      <ChoicePanel
        question={question}
        options={options}
        chosen={String(brief[field] ?? "")}
        onChoose={(id) => {
          onChange(patch(id));
          close();
        }}
      />
    ));
  const named = (entries: { id: string; name: string }[]) =>
    Object.fromEntries(entries.map(({ id, name }) => [id, capital(name)]));
  const focus = brief.focus ?? [];
  const leaveOut = brief.leave_out ?? [];
  const kind = catalogue.kinds[brief.kind ?? ""];
  const schools = schoolsOf(brief.kind ?? "", catalogue);
  const positions = positionsOf(brief, catalogue);
  const offered = offeredRegions(brief, catalogue);
  return (
    <p className="max-w-[84ch] font-serif text-[1.3rem] leading-relaxed sm:text-[1.45rem]">
      {!kind?.open_ended && (
        <>
          {word("Booked minutes", "booked_minutes", `${brief.booked_minutes} minutes`, (close) => (
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
            brief.first_visit ? "a first visit" : "a returning client",
            "Has the client been here before?",
            VISITS,
            (first) => ({ first_visit: first === "true" }),
          )}
          ,{" "}
        </>
      )}
      {choice(
        "Kind of session",
        "kind",
        kind?.name ?? "",
        "What kind of session?",
        named(Object.values(catalogue.kinds)),
        (id) => briefOfKind(brief, id, catalogue),
      )}
      {kind?.area && kind.area.length > 0 && (
        <>
          {" on "}
          {choice(
            "Part of the body",
            "area",
            kind.area.find((area) => area.id === brief.area)?.name ?? "which part?",
            "Which part of the body?",
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
            "In what order?",
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
            "How does the client lie first?",
            named(positions.map((id) => ({ id, name: catalogue.positions[id]?.name ?? id }))),
            (first_position) => ({ first_position }),
          )
        : wayUp}
      , with{" "}
      {word("Focus", "focus", focus.length ? `more ${names(focus)}` : "no part above the others", () => (
        <RegionsPanel
          question="Where does the client want more?"
          chosen={focus}
          blocked={leaveOut}
          offered={offered}
          onChange={(ids) => onChange({ focus: ids })}
        />
      ))}
      , leaving out{" "}
      {word("Leave out", "leave_out", leaveOut.length ? names(leaveOut) : "nothing", () => (
        <RegionsPanel
          question="What is not to be worked today?"
          chosen={leaveOut}
          blocked={focus}
          offered={offered}
          onChange={(ids) => onChange({ leave_out: ids })}
        />
      ))}
      , at{" "}
      {choice(
        "Pressure",
        "pressure",
        `${brief.pressure} pressure`,
        "How strong, in the middle of each region?",
        PRESSURES,
        (pressure) => ({ pressure: pressure as Brief["pressure"] }),
      )}
      {kind?.lubricant === "yes" && (
        <>
          , with{" "}
          {choice(
            "Lubricant",
            "lubricant",
            catalogue.lubricants[brief.lubricant ?? ""]?.name ?? "",
            "What goes on the skin?",
            named(Object.values(catalogue.lubricants)),
            (lubricant) => ({ lubricant }),
          )}
        </>
      )}
      {kind?.surface === "chair" && (
        <>
          , to end{" "}
          {choice("Finish", "finish", brief.finish ?? "calm", "How does it end?", FINISHES, (finish) => ({
            finish: finish as Brief["finish"],
          }))}
        </>
      )}
      , closing{" "}
      {choice(
        "Close with",
        "close_with",
        catalogue.closings[brief.close_with ?? ""]?.name ?? "",
        "Where does the session come to rest?",
        named(closingsOf(brief.kind ?? "", catalogue)),
        (close_with) => ({ close_with }),
      )}
      .
    </p>
  );
}
