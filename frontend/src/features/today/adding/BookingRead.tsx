import type { ReactNode } from "react";
import type { BookingTrial, Clash, FlowView, Picked, Proposal, Repeat } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { shared } from "../../../phrases/screens/shared";
import { say } from "../../../phrases/screens/today/booking";
import { SmallTide } from "../../../tideline/SmallTide";
import { OpenWord } from "../../../ui/OpenWord";
import { Clashes } from "../Clashes";
import { ClientPanel, KindPanel, MinutesPanel, StartPanel } from "./bookingPanels";
import { RepeatPanel } from "./RepeatPanel";

interface Props {
  proposal: Proposal;
  trial: BookingTrial | undefined;
  repeat: Repeat | null;
  clashes: readonly Clash[];
  flow: FlowView | undefined;
  onPick(change: Picked): void;
  onRepeat(repeat: Repeat | null): void;
  children: ReactNode;
}

/** The booking as it is understood: a sentence whose words can be picked, its plan in little, what does not fit. */
export function BookingRead(props: Props) {
  const { proposal, trial, repeat, clashes, flow, onPick, onRepeat } = props;
  const catalogue = useCatalogue();
  const { client, new_name, brief, start, visits, problems } = proposal;
  const name = client?.name ?? (new_name ? say.asNewClient(new_name) : "");
  const then = (close: () => void) => (change: Picked) => {
    onPick(change);
    close();
  };
  return (
    <div className="mt-2 grid gap-x-8 gap-y-2 rounded-box bg-base-200 px-5 py-4 sm:grid-cols-[1fr_auto] sm:items-center">
      <div>
        <p className="font-serif text-xl leading-loose">
          <OpenWord
            about={say.bookedWhom}
            faulty={!name}
            panel={(close) => <ClientPanel proposal={proposal} onPick={then(close)} />}
          >
            {name || say.whoIsIt}
          </OpenWord>
          {", "}
          <OpenWord
            about={shared.kindOfSession}
            panel={(close) => <KindPanel kind={brief.kind ?? ""} onPick={then(close)} />}
          >
            {catalogue.kinds[brief.kind ?? ""]?.name ?? ""}
          </OpenWord>
          {", "}
          <OpenWord
            about={say.howLong}
            panel={(close) => <MinutesPanel brief={brief} onPick={then(close)} />}
          >
            {shared.min(brief.booked_minutes)}
          </OpenWord>
          {", "}
          <OpenWord
            about={say.whenDoesItStart}
            faulty={clashes.length > 0}
            panel={(close) => <StartPanel proposal={proposal} onPick={then(close)} />}
          >
            {proposal.now ? "now" : say.start(start)}
          </OpenWord>
          {", "}
          <OpenWord
            about={say.howOften}
            panel={(close) => (
              <RepeatPanel
                repeat={repeat}
                onTake={(again) => {
                  onRepeat(again);
                  close();
                }}
              />
            )}
          >
            {say.repeat(repeat)}
          </OpenWord>
          .
        </p>
        {problems.map((problem) => (
          <p key={problem} role="alert" className="text-accent">
            △ {problem}
          </p>
        ))}
        {name && problems.length === 0 && (
          <p className="text-quiet">
            {flow ? say.fromFlow(flow.name) : visits > 0 ? say.asLastTime(visits) : say.usualPlan}
          </p>
        )}
        {trial && trial.starts.length > 1 && (
          <p className="text-quiet">{say.alsoAt(trial.starts.slice(1))}</p>
        )}
        {clashes.length > 0 && <Clashes clashes={clashes} />}
      </div>
      <div className="flex items-center gap-4 sm:flex-col sm:items-end">
        {trial && <SmallTide sheet={trial.outline} width={170} height={44} />}
        {props.children}
      </div>
    </div>
  );
}
