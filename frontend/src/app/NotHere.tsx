import { Link } from "@tanstack/react-router";
import { say } from "../phrases/screens/app";

export function NotHere() {
  return (
    <div className="mx-auto max-w-prose px-6 py-24">
      <h1 className="text-3xl">{say.nothingAtThisAddress}</h1>
      <p className="mt-3">
        {say.goBackTo}{" "}
        <Link to="/" className="text-primary underline">
          Today
        </Link>{" "}
        {say.andOpenItFromThere}
      </p>
    </div>
  );
}
