import { type RefObject, useEffect } from "react";

/** Scrolls a list that scrolls by itself, and never the page, so that the row called `id` stands at its top. */
export function useInView(list: RefObject<HTMLElement | null>, id: string | null): void {
  useEffect(() => {
    const row = id && list.current?.querySelector(`[data-row="${CSS.escape(id)}"]`);
    const scroller = list.current?.parentElement;
    if (!row || !scroller || scroller.scrollHeight <= scroller.clientHeight) return;
    scroller.scrollBy({ top: row.getBoundingClientRect().top - scroller.getBoundingClientRect().top });
  }, [list, id]);
}
