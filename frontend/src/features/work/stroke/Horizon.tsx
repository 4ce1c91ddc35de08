/** How far the session is: a mark on the line between the screen and the pads. */
export function Horizon({ at }: { at: number }) {
  return (
    <div aria-hidden="true" className="relative z-10 mx-5 h-3 sm:mx-8" data-testid="horizon">
      <div className="absolute inset-x-0 top-1/2 h-px bg-base-content/30" />
      <div
        className="absolute top-0 h-3 w-1.5 -translate-x-1/2 rounded-full bg-primary transition-[left] duration-500"
        style={{ left: `${(at * 100).toFixed(2)}%` }}
      />
    </div>
  );
}
