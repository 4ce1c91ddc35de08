/** How the hour goes on this device: kept here, not with the practice. */
import { useState } from "react";

export interface TableSettings {
  /** On by itself at the plan's pace, or waiting for a tap. */
  advances: boolean;
  sound: "none" | "chime" | "voice";
  /** What a sound, or a vibration, announces. */
  announces: "strokes" | "parts" | "turns";
  vibrates: boolean;
  /** One picture and one sentence, for a partner or a beginner. */
  plain: boolean;
  /** Whether the simulated foot switch is listened to. */
  footSwitch: boolean;
}

export type ChangeSettings = (change: Partial<TableSettings>) => void;

const KEY = "tide-table";
const USUAL: Omit<TableSettings, "plain"> = {
  advances: false,
  sound: "none",
  announces: "parts",
  vibrates: false,
  footSwitch: false,
};

function read(): typeof USUAL & Partial<TableSettings> {
  try {
    return { ...USUAL, ...JSON.parse(localStorage.getItem(KEY) ?? "{}") };
  } catch {
    return USUAL;
  }
}

/** `plain`: how the session is shown as long as nobody chose on this device. */
export function useTableSettings(plain: boolean): [TableSettings, ChangeSettings] {
  const [settings, setSettings] = useState(read);
  return [
    { plain, ...settings },
    (change) => {
      const changed = { ...settings, ...change };
      localStorage.setItem(KEY, JSON.stringify(changed));
      setSettings(changed);
    },
  ];
}
