import { useEffect, useState } from "react";

export type Theme = "shore" | "nightroom";
const KEY = "tide-theme";

/** The day theme or the dim one: as chosen, else as the device prefers. */
export function useTheme(): [Theme, (theme: Theme) => void] {
  const [theme, setTheme] = useState<Theme>(() => {
    const kept = localStorage.getItem(KEY);
    if (kept === "shore" || kept === "nightroom") return kept;
    return matchMedia("(prefers-color-scheme: dark)").matches ? "nightroom" : "shore";
  });
  useEffect(() => {
    document.documentElement.dataset.theme = theme;
  }, [theme]);
  return [
    theme,
    (chosen) => {
      localStorage.setItem(KEY, chosen);
      setTheme(chosen);
    },
  ];
}
