import type { ComponentProps } from "react";

/** `main`: what one does next. `quiet`: beside it. `warn`: to be done with care. `shape`: only what is drawn in it. */
type Look = "usual" | "main" | "quiet" | "warn" | "shape";

const LOOKS: Record<Look, string> = {
  usual: "btn min-h-11",
  main: "btn btn-primary min-h-11",
  quiet: "btn btn-ghost min-h-11",
  warn: "btn btn-accent min-h-11",
  shape: "",
};

/** Every button of the product, large enough for a thumb; it sends no form unless it says so. */
export function Button({
  look = "usual",
  className = "",
  type = "button",
  ...rest
}: ComponentProps<"button"> & { look?: Look }) {
  return <button type={type} className={`${LOOKS[look]} ${className}`.trim()} {...rest} />;
}
