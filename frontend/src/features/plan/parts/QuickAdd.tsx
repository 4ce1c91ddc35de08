import { keepPreviousData, useQuery, useQueryClient } from "@tanstack/react-query";
import { type KeyboardEvent, useId, useLayoutEffect, useRef, useState } from "react";
import type { Brief, SessionView, Suggestion } from "../../../api/client";
import { suggestionsQuery } from "../../../api/queries";
import { say } from "../../../phrases/screens/plan/parts";
import { Popover } from "../../../ui/Popover";
import type { PlanChanges } from "../changes/usePlanChanges";

interface Props {
  session: SessionView;
  /** The part at which a stroke without a region is meant. */
  selected: string | null;
  changes: PlanChanges;
  onBrief(patch: Partial<Brief>): void;
}

/** Adding by typing: `/`, a few letters, Enter. What could be meant stands below, with the reason where it cannot be. */
export function QuickAdd({ session, selected, changes, onBrief }: Props) {
  const [line, setLine] = useState("");
  const [active, setActive] = useState(0);
  const input = useRef<HTMLInputElement>(null);
  const id = useId();
  const queries = useQueryClient();
  const wanted = line.trim();
  const found = useQuery({
    ...suggestionsQuery(session.session_id, session.revision, wanted, selected),
    enabled: wanted.length > 1,
    placeholderData: keepPreviousData,
  });
  const offered = wanted.length > 1 ? (found.data ?? []) : [];
  useSlash(input);

  function take(suggestion: Suggestion | undefined) {
    if (!suggestion || suggestion.why_not) return;
    if (suggestion.edits?.length) changes.edit(suggestion.edits, suggestion.says);
    else if (suggestion.reshape) changes.reshape(suggestion.reshape.part_id, suggestion.reshape.seconds);
    else if (suggestion.brief) onBrief(given(suggestion.brief));
    setLine("");
    setActive(0);
  }

  /** Enter takes what is marked; where the answer to these very letters is still on its way, when it has come. */
  async function enter() {
    if (!found.isPlaceholderData && !found.isFetching) return take(offered[active]);
    const answer = await queries.fetchQuery(
      suggestionsQuery(session.session_id, session.revision, wanted, selected),
    );
    take(answer[0]);
  }

  function key(event: KeyboardEvent) {
    if (event.key === "Escape") {
      setLine("");
      input.current?.blur();
    } else if (event.key === "Enter") void enter();
    else if (event.key === "ArrowDown") setActive(Math.min(active + 1, offered.length - 1));
    else if (event.key === "ArrowUp") setActive(Math.max(active - 1, 0));
    else return;
    event.preventDefault();
  }

  return (
    <div className="relative w-full sm:w-72 desk:ml-auto desk:w-64">
      <input
        ref={input}
        type="text"
        role="combobox"
        className="input min-h-11 w-full"
        aria-label={say.addByTyping}
        aria-expanded={offered.length > 0}
        aria-controls={id}
        aria-activedescendant={offered.length > 0 ? `${id}-${active}` : undefined}
        placeholder={say.whatToType}
        autoComplete="off"
        maxLength={80}
        value={line}
        onChange={(event) => {
          setLine(event.target.value);
          setActive(0);
        }}
        onKeyDown={key}
      />
      {wanted.length > 1 && (
        <Popover
          anchor={input.current}
          id={id}
          role="listbox"
          label={say.whatItCouldMean}
          asWide
          className="py-2 sm:max-w-[28rem]!"
        >
          {offered.length === 0 && (
            <p role="status" className="px-4 py-2 text-quiet italic">
              {found.isFetching ? "Looking …" : say.notInCatalogue}
            </p>
          )}
          {offered.map((suggestion, index) => (
            // biome-ignore lint/a11y/useKeyWithClickEvents: the keys are the input's, which keeps the focus
            <div
              key={suggestion.says}
              id={`${id}-${index}`}
              role="option"
              tabIndex={-1}
              aria-selected={index === active}
              aria-disabled={Boolean(suggestion.why_not)}
              className={`cursor-pointer px-4 py-2 ${index === active ? "bg-base-300" : "hover:bg-base-200"}`}
              onPointerDown={(event) => event.preventDefault()}
              onClick={() => take(suggestion)}
            >
              <span className={suggestion.why_not ? "text-quiet" : ""}>{suggestion.says}</span>
              {(suggestion.why_not || suggestion.warns) && (
                <span className="block text-[0.95rem] text-accent">
                  {suggestion.why_not ? `Not so: ${suggestion.why_not}` : suggestion.warns}
                </span>
              )}
            </div>
          ))}
        </Popover>
      )}
    </div>
  );
}

/** `/` anywhere on the page goes to the line. */
function useSlash(input: React.RefObject<HTMLInputElement | null>) {
  useLayoutEffect(() => {
    function press(event: globalThis.KeyboardEvent) {
      const typing = event.target instanceof HTMLElement && event.target.matches("input, textarea, select");
      if (event.key !== "/" || typing) return;
      event.preventDefault();
      input.current?.focus();
    }
    addEventListener("keydown", press);
    return () => removeEventListener("keydown", press);
  }, [input]);
}

function given(change: NonNullable<Suggestion["brief"]>): Partial<Brief> {
  return Object.fromEntries(Object.entries(change).filter(([, value]) => value !== null));
}
