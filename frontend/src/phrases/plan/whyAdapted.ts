/** Why a region is not worked as a flow had it. */
import type { Start } from "../../api/client";

type Named = Start["named"][number];

const WHYS: Record<string, string> = {
  no_consent: "there is no yes to it on record",
  not_wished: "nobody has wished it",
  declined: "the client said no to it",
  excluded: "to be kept off",
  not_in_school: "this school has no place for it",
  position_barred: "the client may not lie so that it is reached",
  health: "it cannot be worked as lightly as it must",
  wish: "the client wishes it lighter",
  position: "the client may not lie as the flow has it",
  depth: "it may not be worked as deep",
  minutes: "the booking has other minutes",
};

export function whyAdapted({ reason, because }: Named): string {
  const why = WHYS[reason] ?? reason;
  return because ? `${why}: ${because}` : why;
}
