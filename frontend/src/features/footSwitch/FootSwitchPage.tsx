import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, body, type Press } from "../../api/client";
import { say } from "../../phrases/screens/footSwitch";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/ProblemNote";

type Sends = "page" | "arrows" | "space";

const CODES: [Sends, string][] = [
  ["page", "Page keys"],
  ["arrows", "Arrows"],
  ["space", say.spaceAndBackspace],
];

/** A foot switch made of two large pedals, for whoever has none: pressed here, felt by the table's screen. */
export function FootSwitchPage() {
  const [sends, setSends] = useState<Sends>("page");
  const pressing = useMutation({
    mutationFn: (pedal: "on" | "back") =>
      body<Press>(api.POST("/api/devices/foot-switch/presses", { body: { pedal, sends } })),
  });
  const key = pressing.data?.key;
  return (
    <main
      data-theme="nightroom"
      className="flex min-h-dvh flex-col gap-5 bg-base-100 px-5 py-6 text-base-content"
    >
      <h1 className="text-3xl">{say.simulatedFootSwitch}</h1>
      <p className="max-w-[60ch] text-quiet">{say.howToUseIt}</p>
      <fieldset className="flex flex-wrap gap-3">
        <legend className="mb-2 text-quiet">Keys</legend>
        {CODES.map(([code, words]) => (
          <Button
            key={code}
            className="min-h-12 font-normal aria-pressed:border-primary aria-pressed:bg-base-300 aria-pressed:font-bold"
            aria-pressed={sends === code}
            onClick={() => setSends(code)}
          >
            {words}
          </Button>
        ))}
      </fieldset>
      <p role="status" className="min-h-6 text-quiet">
        {key && `Sent: ${key === " " ? "space" : key}`}
      </p>
      {pressing.error && <ProblemNote error={pressing.error} />}
      <div className="grid min-h-64 flex-1 grid-cols-2 gap-5">
        {(["back", "on"] as const).map((pedal) => (
          <Button
            look="shape"
            key={pedal}
            className="rounded-box border-2 border-base-content/30 bg-base-200 text-5xl active:bg-base-300"
            onPointerDown={() => pressing.mutate(pedal)}
            // A keyboard's press has no pointer.
            onClick={(event) => event.detail === 0 && pressing.mutate(pedal)}
          >
            {pedal === "on" ? "On" : "Back"}
          </Button>
        ))}
      </div>
    </main>
  );
}
