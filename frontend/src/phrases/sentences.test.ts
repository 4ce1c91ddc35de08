import { readdirSync, readFileSync } from "node:fs";
import { join, relative } from "node:path";
import ts from "typescript";
import { describe, expect, it } from "vitest";

const SRC = join(import.meta.dirname, "..");
const SCREENS = join(SRC, "phrases", "screens");

function filesIn(folder: string): string[] {
  return readdirSync(folder, { recursive: true, encoding: "utf-8" })
    .filter((name) => /\.tsx?$/.test(name) && !/\.test\.tsx?$|\.d\.ts$/.test(name))
    .map((name) => join(folder, name));
}

function parse(file: string): ts.SourceFile {
  const kind = file.endsWith("x") ? ts.ScriptKind.TSX : ts.ScriptKind.TS;
  return ts.createSourceFile(file, readFileSync(file, "utf-8"), ts.ScriptTarget.Latest, true, kind);
}

/** Every node of a tree, a parent before its children. */
function* nodesOf(node: ts.Node): Generator<ts.Node> {
  yield node;
  const children: ts.Node[] = [];
  ts.forEachChild(node, (child) => void children.push(child));
  for (const child of children) yield* nodesOf(child);
}

/** What stands on a screen as it is written: text between tags, and what a reader of the screen says. */
function* shownIn(file: string): Generator<string> {
  for (const node of nodesOf(parse(file))) {
    if (ts.isJsxText(node)) yield node.text.trim();
    if (
      ts.isJsxAttribute(node) &&
      /^(aria-label|title|placeholder|label|what)$/.test(node.name.getText()) &&
      node.initializer &&
      ts.isStringLiteral(node.initializer)
    )
      yield node.initializer.text;
  }
}

const words = (text: string) => text.split(/\s+/).filter((word) => /[A-Za-z]{2}/.test(word)).length;

/** The sentences of every area: name of the file and of the phrase, with the words. */
function* phrases(): Generator<[string, string]> {
  for (const file of filesIn(SCREENS)) {
    for (const node of nodesOf(parse(file))) {
      if (ts.isPropertyAssignment(node)) {
        const value = ts.isArrowFunction(node.initializer) ? node.initializer.body : node.initializer;
        yield [`${relative(SCREENS, file)} ${node.name.getText()}`, value.getText()];
      }
    }
  }
}

describe("the phrases of the screens", () => {
  it("hold every sentence: a screen itself has labels of one or two words", () => {
    const outside = filesIn(SRC)
      .filter((file) => file.endsWith(".tsx"))
      .flatMap((file) => [...shownIn(file)].filter((text) => words(text) > 2).map((text) => [file, text]));
    expect(outside).toEqual([]);
  });

  it("word nothing twice", () => {
    const bare = (text: string) => text.replaceAll(/\$\{[^}]*\}/g, "…");
    const seen = new Map<string, string>();
    const twice: string[] = [];
    for (const [name, text] of phrases()) {
      const before = seen.get(bare(text));
      if (before && words(text) > 1) twice.push(`${before} = ${name}`);
      seen.set(bare(text), name);
    }
    expect(twice).toEqual([]);
  });

  it("are all said somewhere", () => {
    const source = filesIn(SRC)
      .filter((file) => !file.startsWith(SCREENS))
      .map((file) => readFileSync(file, "utf-8"))
      .join("\n");
    const silent = [...phrases()].filter(
      ([name]) => !new RegExp(`\\b(say|shared)\\.${name.split(" ")[1]}\\b`).test(source),
    );
    expect(silent).toEqual([]);
  });
});
