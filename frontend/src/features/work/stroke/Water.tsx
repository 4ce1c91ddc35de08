/** The edges of the screen as water, clear of all letters: full when a part begins, gone when its time is. */
export function Water({ level }: { level: number }) {
  return (
    <div
      aria-hidden="true"
      className="absolute inset-0 overflow-hidden [mask-image:linear-gradient(to_right,black_1%,transparent_7%,transparent_93%,black_99%)] max-sm:[mask-image:linear-gradient(to_right,black_2%,transparent_9%,transparent_91%,black_98%)]"
    >
      <div
        data-testid="water"
        className="absolute inset-0 bg-tide-faint transition-transform duration-1000 ease-linear"
        style={{ transform: `translateY(${(100 - level * 100).toFixed(2)}%)` }}
      >
        <svg
          className="absolute inset-x-0 -top-3 h-4 w-full"
          viewBox="0 0 1200 16"
          preserveAspectRatio="none"
          role="presentation"
        >
          <path
            d="M0 12c100-12 200-12 300-4s200 8 300 0 200-10 300-2 200 8 300 2v8H0z"
            className="fill-tide-faint"
          />
          <path
            d="M0 12c100-12 200-12 300-4s200 8 300 0 200-10 300-2 200 8 300 2"
            className="fill-none stroke-tide"
            strokeWidth="2"
            vectorEffect="non-scaling-stroke"
          />
        </svg>
      </div>
    </div>
  );
}
