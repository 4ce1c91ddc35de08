import { onlineManager } from "@tanstack/react-query";
import { useEffect, useState, useSyncExternalStore } from "react";
import { say } from "../phrases/screens/ui";

/** What is awaited: a page with the tide above, a list, columns beside one another, or only some words. */
type Shape = "tide" | "list" | "columns";

const whenConnectionChanges = (tell: () => void) => onlineManager.subscribe(tell);
const isConnected = () => onlineManager.isOnline();

/** Ms that something may take before it is told that it is awaited. */
export const UNTOLD = 300;

/** Shows after a while that something is awaited, what, and in pale the shape of what comes. */
export function Waiting({ what, shape, after = UNTOLD }: { what: string; shape?: Shape; after?: number }) {
  const [shown, setShown] = useState(after === 0);
  const connected = useSyncExternalStore(whenConnectionChanges, isConnected);
  useEffect(() => {
    const timer = setTimeout(() => setShown(true), after);
    return () => clearTimeout(timer);
  }, [after]);
  return (
    <div role="status" className={shape ? "py-4" : "py-10"}>
      <p className="text-quiet italic">{shown && (connected ? `${what} …` : say.opensOnceConnected)}</p>
      {shown && connected && shape && (
        <div aria-hidden="true" className="mt-4 grid gap-3">
          {shape === "tide" && <PaleTide />}
          {shape === "columns" ? (
            <div className="grid gap-8 md:grid-cols-3">
              {["a", "b", "c"].map((column) => (
                <div key={column} className="grid gap-3">
                  <Rows count={5} />
                </div>
              ))}
            </div>
          ) : (
            <Rows count={6} />
          )}
        </div>
      )}
    </div>
  );
}

function Rows({ count }: { count: number }) {
  return Array.from({ length: count }, (_, row) => row).map((row) => (
    <div key={row} className="skeleton h-11 rounded-field bg-base-200" />
  ));
}

/** A horizon with pale swells on both sides. */
function PaleTide() {
  return (
    <svg
      aria-hidden="true"
      viewBox="0 0 100 24"
      preserveAspectRatio="none"
      className="h-40 w-full animate-pulse motion-reduce:animate-none"
    >
      {[4, 34, 52, 74].map((x) => (
        <path key={x} d={`M${x} 12q4 -18 9 0q-4 16 -9 0`} className="fill-tide-faint" />
      ))}
      <path d="M0 12h100" className="stroke-base-300" strokeWidth="1" vectorEffect="non-scaling-stroke" />
    </svg>
  );
}
