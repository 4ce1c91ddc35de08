import { HouseWord } from "./HouseWord";
import { NumberPanel } from "./NumberPanel";
import type { HouseItem } from "./useItem";

/** A number of the house in a sentence, with its unit, changed in place. */
export function HouseNumber(props: {
  item: HouseItem;
  about: string;
  /** What is counted. */
  label: "Seconds" | "Minutes";
  bounds: readonly [number, number] | undefined;
}) {
  const { item, about, label, bounds } = props;
  const unit = label === "Seconds" ? "s" : "min";
  return (
    <HouseWord
      item={item}
      about={about}
      panel={(take) => (
        <NumberPanel
          item={item}
          label={label}
          usual={`${item.usual} ${unit}`}
          bounds={bounds}
          onTake={take}
        />
      )}
    >
      {`${item.now} ${unit}`}
    </HouseWord>
  );
}
