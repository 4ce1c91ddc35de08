import { useNavigate } from "@tanstack/react-router";
import { type RefObject, useLayoutEffect } from "react";
import { addDays } from "../../lib/days";

/** `[` and `]` go a day back and on, `t` to today, `a` to the line that adds a session. */
export function useDayKeys(day: string | undefined, line: RefObject<HTMLInputElement | null>) {
  const navigate = useNavigate();
  useLayoutEffect(() => {
    function press(event: KeyboardEvent) {
      const typing = event.target instanceof HTMLElement && event.target.matches("input, textarea, select");
      if (typing || event.ctrlKey || event.metaKey || event.altKey || !day) return;
      const go = { "[": -1, "]": 1 }[event.key];
      if (go) navigate({ to: "/", search: { day: addDays(day, go) } });
      else if (event.key === "t") navigate({ to: "/", search: {} });
      else if (event.key === "a") line.current?.focus();
      else return;
      event.preventDefault();
    }
    addEventListener("keydown", press);
    return () => removeEventListener("keydown", press);
  }, [day, line, navigate]);
}
