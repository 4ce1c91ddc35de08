import { expect, it } from "vitest";
import { secondsTyped } from "./typedTime";

it.each([
  ["4:30", 270],
  [" 0:45 ", 45],
  ["4.5", 270],
  ["4,5", 270],
  ["4", 240],
  ["90 s", 90],
  ["2min", 120],
])("reads %s", (text, seconds) => expect(secondsTyped(text)).toBe(seconds));

it.each(["", "soon", "4:70", "-3", "1:2:3"])("knows no length in “%s”", (text) =>
  expect(secondsTyped(text)).toBeNull(),
);
