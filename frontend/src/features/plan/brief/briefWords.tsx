import type { ReactNode } from "react";
import { type Brief, Problem } from "../../../api/client";
import { OpenWord } from "../../../ui/OpenWord";
import { ChoicePanel, FieldFault } from "./briefPanels";

interface Props {
  brief: Brief;
  problem: unknown;
  /** A session that has begun: the words no longer open. */
  fixed: boolean;
  onChange(patch: Partial<Brief>): void;
}

/** The words of the brief's sentence: each opens a panel, and tells what was refused of its field. */
export function makeBriefWords({ brief, problem, fixed, onChange }: Props) {
  const fault = (field: string) => (problem instanceof Problem ? problem.forField(field) : undefined);
  const word = (about: string, field: string, text: string, panel: (close: () => void) => ReactNode) =>
    fixed ? (
      <span>{text}</span>
    ) : (
      <OpenWord
        about={about}
        faulty={Boolean(fault(field))}
        panel={(close) => (
          <>
            {panel(close)}
            <FieldFault fault={fault(field)} />
          </>
        )}
      >
        {text}
      </OpenWord>
    );
  /** A word that is one of several, each by its id. */
  const choice = <Field extends keyof Brief>(
    about: string,
    field: Field,
    text: string,
    question: string,
    options: Record<string, string>,
    patch: (id: string) => Partial<Brief>,
  ) =>
    word(about, field, text, (close) => (
      <ChoicePanel
        question={question}
        options={options}
        chosen={String(brief[field] ?? "")}
        onChoose={(id) => {
          onChange(patch(id));
          close();
        }}
      />
    ));
  return { word, choice };
}
