import { Moon, Sun } from "lucide-react";
import { say } from "../../phrases/screens/account";
import { Button } from "../../ui/Button";
import { useTheme } from "../../ui/useTheme";

/** The day theme, or the dim one. */
export function ThemeButton({ className = "" }: { className?: string }) {
  const [theme, setTheme] = useTheme();
  const night = theme === "nightroom";
  return (
    <Button
      look="quiet"
      className={`btn-square size-11 ${className}`}
      aria-pressed={night}
      aria-label={say.dimScreenForNightRoom}
      title={night ? "Day light" : "Night room"}
      onClick={() => setTheme(night ? "shore" : "nightroom")}
    >
      {night ? <Sun aria-hidden="true" size={20} /> : <Moon aria-hidden="true" size={20} />}
    </Button>
  );
}
