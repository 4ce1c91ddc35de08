import { Link } from "@tanstack/react-router";
import { type FormEvent, useState } from "react";
import type { SessionView } from "../../api/client";
import { span } from "../../lib/time";

/** The day's question, before anything is uncovered. */
export function BeforeTouch({ session, onBegin }: { session: SessionView; onBegin(news: string): void }) {
  const [news, setNews] = useState("");
  const { reasons } = session.evaluation.restrictions;
  const refer = reasons.some((reason) => reason.level === "stop");
  function begin(event: FormEvent) {
    event.preventDefault();
    onBegin(news.trim());
  }
  return (
    <form
      onSubmit={begin}
      className="mx-auto flex min-h-dvh max-w-3xl flex-col justify-center gap-6 px-6 py-10"
    >
      <Link
        to="/session/$sessionId/plan"
        params={{ sessionId: session.session_id }}
        className="min-h-11 self-start py-2 text-quiet underline"
      >
        Back to the plan
      </Link>
      <h1 className="text-5xl">{session.client.name}</h1>
      {session.client.know_first && (
        <p className="text-2xl font-bold text-accent">
          <span aria-hidden="true">△ </span>
          {session.client.know_first}
        </p>
      )}
      <HealthNotes reasons={reasons} />
      {refer ? (
        <p role="alert" className="text-2xl">
          There is no session today. Say so kindly, and refer; you do not diagnose.
        </p>
      ) : (
        <Question news={news} onChange={setNews} />
      )}
      <p className="text-quiet">
        {span(session.evaluation.sheet.hands_on_seconds)} from first touch to last. If something is said that
        you are not sure of, do not work there, or do not work at all: the client’s own clinician decides.
      </p>
    </form>
  );
}

function Question({ news, onChange }: { news: string; onChange(news: string): void }) {
  return (
    <>
      <label className="block">
        <span className="mb-2 block text-2xl">
          Ask: anything new, anything or anywhere to keep away from today?
        </span>
        <textarea
          className="textarea min-h-28 w-full text-xl"
          maxLength={400}
          value={news}
          onChange={(event) => onChange(event.target.value)}
          placeholder="Leave empty if there is nothing new"
        />
      </label>
      <button type="submit" className="btn btn-primary h-20 text-2xl">
        {news.trim() ? "Noted: begin" : "Nothing new: begin"}
      </button>
    </>
  );
}

/** What the client's health means for this session. */
function HealthNotes({ reasons }: { reasons: SessionView["evaluation"]["restrictions"]["reasons"] }) {
  if (reasons.length === 0) return null;
  return (
    <ul className="text-xl">
      {reasons.map((reason) => (
        <li key={reason.name + reason.says}>
          <span className="font-bold text-accent">
            <span aria-hidden="true">△ </span>
            {reason.name}:
          </span>{" "}
          {reason.says}
        </li>
      ))}
    </ul>
  );
}
