import { useEffect, useRef } from "react";
import type { Catalogue, Entry } from "../../../api/client";
import { chime, isAnnounced, speak, spokenCue } from "./announcing";
import type { TableSettings } from "./useTableSettings";

const BUZZ = 40;

/** Announces what comes, as quietly as it is wished, once for each arrival. */
export function useAnnouncing(entry: Entry | undefined, catalogue: Catalogue, settings: TableSettings) {
  const before = useRef<Entry | undefined>(entry);
  const latest = useRef({ catalogue, settings });
  latest.current = { catalogue, settings };
  useEffect(() => {
    const from = before.current;
    before.current = entry;
    if (!entry || !from || entry === from) return;
    const { sound, announces, vibrates } = latest.current.settings;
    if (!isAnnounced(from, entry, announces)) return;
    if (sound === "chime") chime();
    if (sound === "voice") speak(spokenCue(from, entry, latest.current.catalogue));
    if (vibrates) navigator.vibrate?.(BUZZ);
  }, [entry]);
}
