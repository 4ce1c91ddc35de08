/** Slow hills of water behind the sign-in card. */
export function Seascape() {
  return (
    <svg
      className="fixed inset-0 size-full"
      viewBox="0 0 1200 800"
      preserveAspectRatio="xMidYMid slice"
      aria-hidden="true"
    >
      <rect width="1200" height="800" className="fill-base-200" />
      <path
        d="M0 400c120 0 150-130 290-130s170 130 300 130 150-70 270-70 160 70 340 70z"
        className="fill-tide"
        opacity="0.85"
      />
      <path
        d="M0 406c120 0 150 110 290 110s170-110 300-110 150 60 270 60 160-60 340-60z"
        className="fill-tide"
        opacity="0.4"
      />
      <path d="M0 403h1200" className="stroke-base-content" strokeWidth="1.5" />
    </svg>
  );
}
