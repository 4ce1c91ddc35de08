import { type ComponentProps, useState } from "react";
import { Button } from "../Button";

/** A password, which whoever types it may look at. */
export function PasswordInput(props: Omit<ComponentProps<"input">, "type" | "className">) {
  const [seen, setSeen] = useState(false);
  return (
    <span className="flex gap-2">
      <input {...props} type={seen ? "text" : "password"} className="input h-12 w-full text-base" />
      <Button look="quiet" aria-pressed={seen} onClick={() => setSeen(!seen)} className="h-12 font-normal">
        {seen ? "Hide" : "Show"}
      </Button>
    </span>
  );
}
