// @vitest-environment jsdom
import { beforeEach, expect, it } from "vitest";
import { answered, begun, forget, keep, read } from "./kept";

beforeEach(() => localStorage.clear());

it("gives every device a key of its own", () => {
  expect(begun().key).toMatch(/^[0-9a-f]{48}$/);
  expect(begun().key).not.toBe(begun().key);
});

it("keeps what was answered, and each change comes after the one before", () => {
  const first = answered(begun(), { talk: "quiet" });
  const second = answered(first, { music: "none" });
  keep("a", second);
  expect(read("a")).toEqual(second);
  expect(second.sequence).toBe(2);
  expect(second.answers).toMatchObject({ talk: "quiet", music: "none" });
});

it("leaves nothing behind, and nonsense opens nothing", () => {
  keep("a", begun());
  forget("a");
  expect(read("a")).toBeNull();
  expect(localStorage.length).toBe(0);
  localStorage.setItem("tide-intake b", "{");
  expect(read("b")).toBeNull();
});
