/** Why a region is not worked as a flow had it. */
import type { Start } from "../../api/client";

type Named = Start["named"][number];

const WHYS: Record<string, string> = {
  no_consent: "no consent is on record",
  not_wished: "the client has not asked for it",
  declined: "the client said no to it",
  excluded: "to be kept off",
  not_in_school: "this school has no place for it",
  position_barred: "it cannot be reached in any position the client may lie in",
  health: "it needs a lighter touch than its strokes allow",
  wish: "the client wishes it lighter",
  position: "the client may not lie as the flow needs",
  depth: "it may not be worked that deeply",
  less_time: "there is less time than in the flow",
  more_time: "there is more time than in the flow",
  others: "other regions have changed",
};

export function whyAdapted({ reason, because }: Named): string {
  const why = WHYS[reason] ?? reason;
  return because ? `${why}: ${because}` : why;
}
