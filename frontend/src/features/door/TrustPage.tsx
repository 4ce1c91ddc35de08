import { Link } from "@tanstack/react-router";
import { say } from "../../phrases/screens/trust";
import { Wordmark } from "../../ui/Wordmark";

/** What to do on a device in the same room, once, so that it trusts this server. */
export function TrustPage() {
  return (
    <main className="mx-auto grid max-w-prose gap-5 px-5 py-10">
      <Wordmark />
      <h1 className="text-3xl">{say.trustThisServer}</h1>
      <p>{say.whyItWarns}</p>
      <ol className="grid list-decimal gap-3 pl-6">
        <li>
          <a href="/authority.crt" download className="link inline-flex min-h-11 items-center">
            {say.downloadCertificate}
          </a>
        </li>
        {say.steps.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </ol>
      <p role="note">{say.withoutIt}</p>
      <p className="text-quiet">{say.howFarItGoes}</p>
      <Link to="/sign-in" className="btn btn-primary min-h-11 justify-self-start">
        Sign in
      </Link>
    </main>
  );
}
