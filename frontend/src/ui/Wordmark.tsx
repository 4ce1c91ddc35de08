/** The name with its own small tide; `short`: on a small screen the tide alone. */
export function Wordmark({ short = false }: { short?: boolean }) {
  return (
    <span className="inline-flex items-center gap-2 font-serif text-xl">
      <svg width="34" height="22" viewBox="0 0 34 22" aria-hidden="true">
        <path d="M1 11c4 0 5-9 9-9s6 9 9 9 4-5 7-5 4 5 7 5z" className="fill-tide" />
        <path d="M1 13c4 0 5 7 9 7s6-7 9-7 4 4 7 4 4-4 7-4z" className="fill-tide" opacity="0.5" />
      </svg>
      <span className={short ? "max-sm:sr-only" : ""}>Mellow Tide</span>
    </span>
  );
}
