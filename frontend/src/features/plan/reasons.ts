import type { LeftOut } from "../../api/client";
import { span } from "../../lib/time";
import { capital, listed } from "../../lib/words";

/** Why a region is left out, in one sentence. `name` gives a region's name for both sides. */
export function whyLeftOut(left: LeftOut, name: (region: string) => string): string {
  switch (left.reason) {
    case "wish":
      return "By your wish.";
    case "no_consent":
      return "Only with the client’s consent; none is on record.";
    case "declined":
      return "The client has declined it.";
    case "excluded":
      return "It is to be left alone.";
    case "not_in_school":
      return "This school has no place for it.";
    case "position_barred":
      return "The client may not lie so that it is reached.";
    case "health":
      return "Health rules it out, or asks for a lighter touch than it can be given.";
    case "never_fits":
      return "Even its least time does not fit beside what was asked for.";
    case "no_time":
      return costs(left, name);
  }
}

const NAMED = 3;

function costs(left: LeftOut, name: (region: string) => string): string {
  const gives = left.gives ?? [];
  if (gives.length === 0) return "The minutes do more good elsewhere.";
  const named = gives
    .slice(0, NAMED)
    .map((give) =>
      give.gone ? `all of the ${name(give.region)}` : `${span(give.seconds)} of the ${name(give.region)}`,
    );
  const more = gives.length > NAMED ? ["a little elsewhere"] : [];
  return `${capital(listed([...named, ...more]))} would have to go for it.`;
}
