import type { ReactNode } from "react";
import { shared } from "../../../phrases/screens/shared";
import { say } from "../../../phrases/screens/work/settings";
import { Button } from "../../../ui/Button";
import { Overlay } from "../../../ui/Overlay";
import { Tick } from "../../../ui/Tick";
import { chime, ownVoices, speak } from "./announcing";
import type { ChangeSettings, TableSettings } from "./useTableSettings";

interface Props {
  settings: TableSettings;
  onChange: ChangeSettings;
  onClose(): void;
}

/** How the hour goes on this device: by itself, with a sound, in one sentence. */
export function Settings({ settings, onChange, onClose }: Props) {
  const voices = ownVoices().length > 0;
  return (
    <Overlay
      label={shared.tableSettings}
      className="inset-0 grid content-start gap-6 overflow-y-auto px-6 py-8 text-xl sm:px-16 lg:grid-cols-2"
      onClose={onClose}
    >
      <div className="flex items-center gap-4 lg:col-span-2">
        <h2 className="text-4xl">{shared.tableSettings}</h2>
        <Button className="ml-auto min-h-14 px-6 text-xl" onClick={onClose}>
          {shared.backToStroke}
        </Button>
      </div>
      <Choice label="Sound">
        <Word on={settings.sound === "none"} onPick={() => onChange({ sound: "none" })}>
          None
        </Word>
        <Word
          on={settings.sound === "chime"}
          onPick={() => {
            onChange({ sound: "chime" });
            chime();
          }}
        >
          {say.softTone}
        </Word>
        <Word
          on={settings.sound === "voice"}
          disabled={!voices}
          onPick={() => {
            onChange({ sound: "voice" });
            speak("Like this");
          }}
        >
          A voice
        </Word>
        {!voices && <p className="w-full text-lg text-quiet">{say.noVoice}</p>}
      </Choice>
      <Choice label="Announcements">
        {(
          [
            ["strokes", "Every stroke"],
            ["parts", "Every region"],
            ["turns", "Only turns"],
          ] as const
        ).map(([announces, words]) => (
          <Word key={announces} on={settings.announces === announces} onPick={() => onChange({ announces })}>
            {words}
          </Word>
        ))}
      </Choice>
      <Choice label="The screen">
        <Word on={!settings.plain} onPick={() => onChange({ plain: false })}>
          Everything
        </Word>
        <Word on={settings.plain} onPick={() => onChange({ plain: true })}>
          {say.onePictureOneSentence}
        </Word>
        {document.fullscreenEnabled && (
          <Word
            on={Boolean(document.fullscreenElement)}
            onPick={() =>
              document.fullscreenElement
                ? document.exitFullscreen()
                : document.documentElement.requestFullscreen()
            }
          >
            Full screen
          </Word>
        )}
      </Choice>
      <div className="grid content-start gap-3">
        {typeof navigator.vibrate === "function" && (
          <Tick
            checked={settings.vibrates}
            words={say.shortBuzzWithIt}
            onTick={(vibrates) => onChange({ vibrates })}
          />
        )}
        <Tick
          checked={settings.advances}
          words={say.goesOnByItselfAt}
          onTick={(advances) => onChange({ advances })}
        />
        <Tick
          checked={settings.footSwitch}
          words={say.listenToSimulatedFootSwitch}
          onTick={(footSwitch) => onChange({ footSwitch })}
        />
        <p className="text-lg text-quiet">
          {say.footSwitchKeys}{" "}
          <a href="/foot-switch" target="_blank" rel="noreferrer" className="underline">
            simulated one
          </a>{" "}
          {say.pageOfItsOwn}
        </p>
      </div>
    </Overlay>
  );
}

function Choice({ label, children }: { label: string; children: ReactNode }) {
  return (
    <fieldset className="flex flex-wrap gap-3">
      <legend className="mb-2 text-quiet">{label}</legend>
      {children}
    </fieldset>
  );
}

function Word(props: { on: boolean; disabled?: boolean; onPick(): void; children: ReactNode }) {
  return (
    <Button
      className="min-h-14 px-6 text-xl font-normal aria-pressed:border-primary aria-pressed:bg-base-300 aria-pressed:font-bold"
      aria-pressed={props.on}
      disabled={props.disabled}
      onClick={props.onPick}
    >
      {props.children}
    </Button>
  );
}
