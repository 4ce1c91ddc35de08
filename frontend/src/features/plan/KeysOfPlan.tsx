import { say } from "../../phrases/screens/plan/page";
import { Keys } from "../../ui/Keys";

const KEYS: [string[], string][] = [
  [["←", "→", "Home", "End"], say.keyAlong],
  [[",", "."], say.keyLength],
  [["Alt", ",", "."], say.keyEdge],
  [["Shift", "←", "→"], say.keyMove],
  [["m"], say.keyMirror],
  [["s"], say.keySplit],
  [["Delete"], say.keyLeaveOut],
  [["Shift", "Delete"], say.keyRemovePart],
  [["z", "Esc"], say.keyZoomPart],
  [["Ctrl", "wheel"], say.keyZoom],
  [["/"], say.keyAdd],
  [["Ctrl", "Z"], say.keyUndo],
  [["Ctrl", "Shift", "Z"], say.keyRedo],
];

/** The keys of the designer. */
export function KeysOfPlan() {
  return <Keys keys={KEYS} />;
}
