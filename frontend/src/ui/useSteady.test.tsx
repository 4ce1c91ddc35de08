// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, expect, it, vi } from "vitest";
import { Button } from "./Button";
import { useSteady } from "./useSteady";

afterEach(cleanup);

function Names({ found, onChoose }: { found: string[]; onChoose(name: string): void }) {
  const { shown, steady } = useSteady(found);
  return (
    <div {...steady}>
      {shown.map((name) => (
        <Button key={name} onClick={() => onChoose(name)}>
          {name}
        </Button>
      ))}
    </div>
  );
}

it("does not narrow under a finger: what was pressed is what is chosen", async () => {
  const onChoose = vi.fn();
  const { rerender } = render(<Names found={["Isolde", "Ottilie"]} onChoose={onChoose} />);
  const pressed = screen.getByRole("button", { name: "Isolde" });
  fireEvent.pointerDown(pressed);
  rerender(<Names found={["Ottilie"]} onChoose={onChoose} />);
  fireEvent.pointerUp(pressed);
  fireEvent.click(pressed);
  expect(onChoose).toHaveBeenCalledWith("Isolde");
  await act(() => new Promise((done) => setTimeout(done)));
  expect(screen.queryByRole("button", { name: "Isolde" })).toBeNull();
});
