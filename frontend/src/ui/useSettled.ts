import { useEffect, useState } from "react";

/** A value as it was when it had not changed for some milliseconds: what is typed, once the typing rests. */
export function useSettled<Value>(value: Value, after: number): Value {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), after);
    return () => clearTimeout(timer);
  }, [value, after]);
  return settled;
}
