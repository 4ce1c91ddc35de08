import { Link } from "@tanstack/react-router";

export function NotHere() {
  return (
    <div className="mx-auto max-w-prose px-6 py-24">
      <h1 className="text-3xl">There is nothing at this address.</h1>
      <p className="mt-3">
        Go back to{" "}
        <Link to="/" className="text-primary underline">
          Today
        </Link>{" "}
        and open it from there.
      </p>
    </div>
  );
}
