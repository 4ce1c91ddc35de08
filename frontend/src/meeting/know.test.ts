import { expect, it } from "vitest";
import type { Catalogue, ClientPage } from "../api/client";
import { cautionsOf, consentsOf, keptOff } from "./know";

const catalogue = {
  regions: {
    foot: { name: "foot", whole: "feet", sides: "pair" },
    back: { name: "back", whole: "back", sides: "mid" },
  },
  consents: {
    hips: { id: "hips", name: "hips" },
    face: { id: "face", name: "face" },
    foot: { id: "foot", name: "feet" },
  },
} as unknown as Catalogue;
const page = {
  restrictions: {
    reasons: [
      { level: "adapt", name: "pregnancy, 27 weeks", says: "On the side." },
      { level: "refer", name: "fever", says: "No session." },
    ],
    excluded: [
      { region: "foot", side: "left", zone: "between_toes", because: "a plaster" },
      { region: "back", side: "both", zone: null, because: "" },
    ],
  },
  record: {
    consents: ["scalp"],
    through_cloth: ["hips"],
    declined: ["face"],
  },
} as unknown as ClientPage;

it("tells the gravest first", () => {
  expect(cautionsOf(page.restrictions).map(({ words }) => words)).toEqual(["Fever", "Pregnancy, 27 weeks"]);
});

it("names places to keep off, and why", () => {
  expect(keptOff(page, catalogue)).toEqual(["Left foot, between toes: a plaster", "Back"]);
});

it("puts what was declined before what was never asked", () => {
  expect(consentsOf(page, catalogue).map(({ id, answer }) => [id, answer])).toEqual([
    ["face", "no"],
    ["foot", "not asked"],
    ["hips", "through_cloth"],
  ]);
});
