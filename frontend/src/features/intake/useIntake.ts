import { useEffect, useRef, useState } from "react";
import { api, body, type IntakeAnswers, type IntakeForm, Problem } from "../../api/client";
import { writeAs } from "../../api/manner";
import { answered, begun, forget, type Kept, keep, read } from "./kept";

const SETTLES = 400;
const AGAIN = 4000;

export type Fault = NonNullable<Problem["document"]["errors"]>[number];

/**
 * The form behind a link. Every answer is kept on this device at once and sent a moment later, again and again until
 * it arrives; what is sent late or twice changes nothing.
 */
export function useIntake(token: string) {
  const [form, setForm] = useState<IntakeForm | null>(null);
  const [kept, setKept] = useState<Kept | null>(null);
  const [closed, setClosed] = useState<Problem | null>(null);
  const [faults, setFaults] = useState<readonly Fault[]>([]);
  const [cut, setCut] = useState(false);
  const [done, setDone] = useState(false);
  const newest = useRef<Kept | null>(null);
  const sending = useRef(false);

  function hold(next: Kept) {
    newest.current = next;
    keep(token, next);
    setKept(next);
  }

  function failed(error: unknown) {
    const problem = error instanceof Problem ? error : null;
    if (!problem || problem.document.status === 0 || problem.document.status >= 500) setCut(true);
    else if (problem.document.errors?.length) setFaults(problem.document.errors);
    else setClosed(problem);
  }

  async function open() {
    const own = read(token) ?? begun();
    // The key is kept before it is used: if the answer is lost, the same device asks again.
    hold(own);
    try {
      const opened = await body<IntakeForm>(api.POST("/api/intake/open", { body: { token, key: own.key } }));
      setCut(false);
      if (opened.handed_in) return finish();
      // What is only on this device goes before what was saved.
      if (opened.sequence > own.sequence)
        hold({ ...own, sequence: opened.sequence, confirmed: opened.sequence, answers: opened.answers });
      writeAs(opened.manner);
      setForm(opened);
    } catch (error) {
      failed(error);
    }
  }

  function finish() {
    forget(token);
    newest.current = null;
    setDone(true);
  }

  async function send() {
    const now = newest.current;
    if (!now || sending.current || (now.confirmed >= now.sequence && !now.handingIn)) return;
    sending.current = true;
    const { key, answers } = now;
    const sequence = Math.max(1, now.sequence);
    try {
      if (now.handingIn) {
        await api.POST("/api/intake/hand-in", { body: { key, sequence, answers } });
        return finish();
      }
      const saved = await body<{ problems: Fault[] }>(
        api.PUT("/api/intake/answers", { body: { key, sequence, answers } }),
      );
      setCut(false);
      setFaults(saved.problems);
      if (newest.current) hold({ ...newest.current, confirmed: sequence });
    } catch (error) {
      if (newest.current?.handingIn && error instanceof Problem && error.document.errors?.length)
        hold({ ...newest.current, handingIn: false });
      failed(error);
    } finally {
      sending.current = false;
    }
  }

  const latest = useRef({ open, send, form });
  latest.current = { open, send, form };
  useEffect(() => {
    latest.current.open();
    const again = () => (latest.current.form ? latest.current.send() : latest.current.open());
    const timer = setInterval(again, AGAIN);
    addEventListener("online", again);
    return () => {
      clearInterval(timer);
      removeEventListener("online", again);
    };
  }, []);
  const sequence = kept?.sequence ?? 0;
  // biome-ignore lint/correctness/useExhaustiveDependencies: every further answer waits anew
  useEffect(() => {
    const timer = setTimeout(() => latest.current.send(), SETTLES);
    return () => clearTimeout(timer);
  }, [sequence]);

  return {
    form,
    answers: kept?.answers ?? null,
    saved: kept !== null && kept.confirmed >= kept.sequence,
    handingIn: kept?.handingIn ?? false,
    closed,
    faults,
    cut,
    done,
    answer: (change: Partial<IntakeAnswers>) => newest.current && hold(answered(newest.current, change)),
    handIn: () => {
      if (!newest.current) return;
      hold({ ...newest.current, handingIn: true });
      send();
    },
  };
}
