// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, expect, it, vi } from "vitest";
import { Tick } from "./Tick";

afterEach(cleanup);

const box = () => screen.getByRole("checkbox", { name: "Asked" }) as HTMLInputElement;

it("shows a tick at once, before anybody has answered", () => {
  const onTick = vi.fn();
  render(<Tick checked={false} words="Asked" onTick={onTick} />);
  fireEvent.click(box());
  expect(box().checked).toBe(true);
  expect(onTick).toHaveBeenCalledWith(true);
});

it("is as it is said to be once that changes", () => {
  const { rerender } = render(<Tick checked words="Asked" onTick={() => undefined} />);
  rerender(<Tick checked={false} words="Asked" onTick={() => undefined} />);
  expect(box().checked).toBe(false);
});
