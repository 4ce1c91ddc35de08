import { useForm } from "react-hook-form";
import type { Step } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { secondsTyped } from "../../../lib/typedTime";
import { say } from "../../../phrases/screens/plan/parts";
import { shared } from "../../../phrases/screens/shared";
import { capital, type Side, type Stand, standsFor, standWord } from "../../../phrases/words";
import { Button } from "../../../ui/Button";
import type { StepChange } from "./edits";
import type { StrokeActions } from "./strokeActions";

interface Words {
  seconds: string;
  command: string;
  release: string;
  note: string;
  check_in: boolean;
  with_breath: boolean;
  stand: Stand | "";
}

interface Props {
  step: Step;
  side: Side;
  position: string;
  name: string;
  does: StrokeActions;
}

/** The rest of a stroke: seconds of its own, what is said to the client, a note, asking after it, its place. */
export function StrokeMore({ step, side, position, name, does }: Props) {
  const catalogue = useCatalogue();
  const form = useForm<Words>({
    defaultValues: {
      seconds: step.seconds ? `${step.seconds} s` : "",
      command: step.cue?.command ?? "",
      release: step.cue?.release ?? "",
      note: step.note ?? "",
      check_in: step.check_in ?? false,
      with_breath: step.with_breath ?? false,
      stand: step.stand ?? "",
    },
  });
  const fault = form.formState.errors.seconds?.message;
  return (
    <form
      aria-label={say.moreAbout(name)}
      className="my-2 w-full rounded-box bg-base-200 px-5 py-4"
      onSubmit={form.handleSubmit((words) => does.change(changeOf(words)))}
    >
      <div className="grid gap-x-6 gap-y-3 sm:grid-cols-2">
        <Field label={say.secondsInstead}>
          <input
            className="input min-h-11 w-full"
            placeholder={say.asPassesTake}
            aria-invalid={Boolean(fault)}
            {...form.register("seconds", {
              validate: (text) => {
                const seconds = secondsTyped(text);
                const known = text.trim() === "" || (seconds !== null && seconds >= 1 && seconds <= 1800);
                return known || say.secondsRange;
              },
            })}
          />
          {fault && (
            <span role="alert" className="text-accent">
              {fault}
            </span>
          )}
        </Field>
        <Field label="Note">
          <input className="input min-h-11 w-full" maxLength={400} {...form.register("note")} />
        </Field>
        <Field label={say.saidToClient}>
          <input className="input min-h-11 w-full" maxLength={200} {...form.register("command")} />
        </Field>
        <Field label={say.andToLetGo}>
          <input className="input min-h-11 w-full" maxLength={200} {...form.register("release")} />
        </Field>
        <Field label={say.whereYouStand}>
          <select className="select min-h-11 w-full" {...form.register("stand")}>
            <option value="">{say.standAsUsual}</option>
            {standsFor(side, catalogue.positions[position]?.ends ?? []).map((stand) => (
              <option key={stand} value={stand}>
                {capital(standWord(stand, position))}
              </option>
            ))}
          </select>
        </Field>
      </div>
      <label className="mt-2 flex min-h-11 items-center gap-3">
        <input type="checkbox" className="checkbox" {...form.register("check_in")} />
        {say.askAboutIt}
      </label>
      <label className="flex min-h-11 items-center gap-3">
        <input type="checkbox" className="checkbox" {...form.register("with_breath")} />
        {say.pressOnOutBreath}
      </label>
      <div className="mt-2 flex flex-wrap gap-2">
        <Button look="main" type="submit">
          {shared.save}
        </Button>
        <Button className="bg-base-100" onClick={() => does.move(-1)}>
          Before
        </Button>
        <Button className="bg-base-100" onClick={() => does.move(1)}>
          After
        </Button>
        {does.split && (
          <Button className="bg-base-100" onClick={does.split}>
            {say.splitPartHere}
          </Button>
        )}
        <Button className="bg-base-100" disabled={does.last} onClick={does.remove}>
          {say.removeIt}
        </Button>
        {does.leaveOut && (
          <Button className="bg-base-100" onClick={does.leaveOut}>
            {say.leaveOutOfSession}
          </Button>
        )}
      </div>
    </form>
  );
}

function Field({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    // biome-ignore lint/a11y/noLabelWithoutControl: the control is what it is given
    <label className="block">
      <span className="text-quiet">{label}</span>
      {children}
    </label>
  );
}

function changeOf(words: Words): StepChange {
  const clear: NonNullable<StepChange["clear"]> = [];
  const { check_in, with_breath } = words;
  const change: StepChange = { note: words.note.trim(), check_in, with_breath, clear };
  const seconds = secondsTyped(words.seconds);
  if (seconds === null) clear.push("seconds");
  else change.seconds = seconds;
  if (words.command.trim() === "") clear.push("cue");
  else change.cue = { command: words.command.trim(), release: words.release.trim() };
  if (words.stand === "") clear.push("stand");
  else change.stand = words.stand;
  return change;
}
