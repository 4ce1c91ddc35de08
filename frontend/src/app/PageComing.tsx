import { say } from "../phrases/screens/app";
import { Waiting } from "../ui/Waiting";

/** What stands where a page will be while its file is on its way. The frame has a margin, a page without it has none. */
export function PageComing() {
  return (
    <div className="px-6 [#page_&]:px-0">
      <Waiting what={say.openingPage} after={0} />
    </div>
  );
}
