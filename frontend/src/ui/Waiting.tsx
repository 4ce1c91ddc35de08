import { useEffect, useState } from "react";

/** Shows after 300 ms that something is awaited, and what. */
export function Waiting({ what }: { what: string }) {
  const [shown, setShown] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setShown(true), 300);
    return () => clearTimeout(timer);
  }, []);
  return (
    <p role="status" className="py-10 text-quiet italic">
      {shown ? `${what} …` : ""}
    </p>
  );
}
