import { useRouterState } from "@tanstack/react-router";
import { useEffect, useRef, useState } from "react";
import type { IntakeForm } from "../../api/client";
import { say } from "../../phrases/screens/intake";
import { Button } from "../../ui/Button";
import { Waiting } from "../../ui/Waiting";
import { Wordmark } from "../../ui/Wordmark";
import { Asked } from "./Asked";
import { NOTHING_ANSWERED } from "./kept";
import { useIntake } from "./useIntake";

/** The form that a client fills in, on their own phone or on a tablet handed over. */
export function IntakePage() {
  const token = useRouterState({ select: (state) => state.location.hash });
  return (
    <div className="mx-auto min-h-dvh max-w-2xl px-5 pt-4 pb-16">
      <Wordmark />
      <main className="mt-6">
        {token ? (
          <Filling key={token} token={token} />
        ) : (
          <Notice title={say.thereIsNoFormHere} says={say.openTheWholeLink} />
        )}
      </main>
    </div>
  );
}

function Filling({ token }: { token: string }) {
  const intake = useIntake(token);
  if (intake.done) return <Notice title={say.thankYou} says={say.handedIn} />;
  if (intake.closed)
    return <Notice title={intake.closed.document.title} says={intake.closed.document.detail} />;
  if (!intake.form || !intake.answers)
    return intake.cut ? (
      <Notice title={say.thereIsNoConnection} says={say.opensByItself} />
    ) : (
      <Waiting what={say.openingForm} />
    );
  return <Sections intake={intake} form={intake.form} />;
}

function Notice({ title, says }: { title: string; says: string }) {
  return (
    <div role="status" className="mt-16">
      <h1 className="text-4xl">{title}</h1>
      <p className="mt-3 text-lg">{says}</p>
    </div>
  );
}

type Intake = ReturnType<typeof useIntake>;

function Sections({ intake, form }: { intake: Intake; form: IntakeForm }) {
  const [at, setAt] = useState(0);
  const heading = useRef<HTMLHeadingElement>(null);
  const answers = intake.answers ?? NOTHING_ANSWERED;
  const section = form.sections[at];
  const last = at === form.sections.length - 1;
  // biome-ignore lint/correctness/useExhaustiveDependencies: a further section begins at its top, for eyes and readers
  useEffect(() => {
    scrollTo(0, 0);
    heading.current?.focus({ preventScroll: true });
  }, [at]);
  if (!section) return null;
  const questions = section.questions.filter((one) => !one.if_pregnant || answers.pregnant === "yes");
  const elsewhere = form.sections.findIndex(
    (one, index) => index !== at && one.questions.some(({ field }) => faultOf(intake, field)),
  );
  return (
    <>
      <p className="text-quiet">{say.sectionOf(form.practice, at + 1, form.sections.length)}</p>
      <Progress at={at} of={form.sections.length} />
      <h1 ref={heading} tabIndex={-1} className="mt-4 text-4xl outline-none">
        {section.title}
      </h1>
      {section.says && <p className="mt-2 text-lg">{section.says}</p>}
      <div className="mt-6 grid gap-9">
        {questions.map((question) => (
          <Asked
            key={question.field + (question.heading ?? "")}
            question={question}
            form={form}
            answers={answers}
            fault={faultOf(intake, question.heading ? `conditions.${question.heading}` : question.field)}
            onAnswer={intake.answer}
          />
        ))}
      </div>
      <p role="status" className={`mt-8 min-h-6 ${intake.cut ? "text-accent" : "text-quiet"}`}>
        {intake.cut ? say.answersAreKept : intake.saved ? "Saved." : "Saving …"}
      </p>
      {last && elsewhere >= 0 && (
        <p role="alert" className="text-accent">
          <span aria-hidden="true">△ </span>
          Something in “{form.sections[elsewhere]?.title}
          {say.cannotBeRightYet}{" "}
          <Button look="shape" className="underline" onClick={() => setAt(elsewhere)}>
            Go there
          </Button>
        </p>
      )}
      <div className="mt-3 flex flex-wrap gap-3">
        {at > 0 && (
          <Button className="min-h-14 px-6 text-lg" onClick={() => setAt(at - 1)}>
            Back
          </Button>
        )}
        {last ? (
          <Button
            look="main"
            className="min-h-14 grow px-6 text-lg"
            disabled={intake.handingIn && !intake.cut}
            onClick={intake.handIn}
          >
            {intake.handingIn ? (intake.cut ? say.waitingForConnection : "Handing in …") : say.handItIn}
          </Button>
        ) : (
          <Button look="main" className="min-h-14 grow px-6 text-lg" onClick={() => setAt(at + 1)}>
            Go on
          </Button>
        )}
      </div>
      {last && <p className="mt-6 text-quiet">{say.whoReadsIt}</p>}
    </>
  );
}

function faultOf(intake: Intake, field: string): string | undefined {
  const fault = intake.faults.find((one) => one.field === field || one.field.startsWith(`${field}.`));
  return fault && `${fault.what}: ${fault.remedy}.`;
}

/** The water rises with every section. */
function Progress({ at, of }: { at: number; of: number }) {
  return (
    <div className="mt-2 h-2 overflow-hidden rounded-full bg-base-300" aria-hidden="true">
      <div
        className="h-full rounded-full bg-tide transition-[width] duration-300"
        style={{ width: `${((at + 1) / of) * 100}%` }}
      />
    </div>
  );
}
