import { expect, it } from "vitest";
import { DeviceClock } from "./deviceClock";

const NINE = Date.parse("2026-05-04T09:00:00Z");

it("goes on from where it was when the device's clock is set back", () => {
  let own = NINE;
  const clock = new DeviceClock(() => own);
  const first = clock.stamp();
  own += 5000;
  expect(clock.now()).toBe(NINE + 5000);
  own -= 3_600_000;
  expect(clock.now()).toBe(NINE + 5000);
  own += 2000;
  expect(clock.now()).toBe(NINE + 7000);
  expect(clock.stamp() > first).toBe(true);
});

it("stamps what is seen of another device as earlier than what follows, even if that device is ahead", () => {
  const clock = new DeviceClock(() => NINE);
  clock.saw("2026-05-04T09:03:00.000Z");
  expect(clock.stamp() > "2026-05-04T09:03:00.000Z").toBe(true);
});

it("gives no time twice", () => {
  const clock = new DeviceClock(() => NINE);
  const stamps = Array.from({ length: 50 }, () => clock.stamp());
  expect(new Set(stamps).size).toBe(50);
  expect([...stamps].sort()).toEqual(stamps);
});

it("goes by everybody's time once its own turns out to be wrong, and by its own where that is right", () => {
  let own = Date.parse("1970-01-01T00:10:00Z");
  const clock = new DeviceClock(() => own);
  const begun = clock.stamp();
  own = Date.parse(begun) + 2000;
  clock.agree(begun, "2026-05-04T09:00:00.000Z");
  expect(new Date(clock.now()).toISOString()).toBe("2026-05-04T09:00:02.000Z");
  own += 1000;
  expect(new Date(clock.now()).toISOString()).toBe("2026-05-04T09:00:03.000Z");
  // An hour apart is no reason: it may be summer time, or a tap that waited.
  clock.agree("2026-05-04T09:00:03.000Z", "2026-05-04T10:00:03.000Z");
  expect(new Date(clock.now()).toISOString()).toBe("2026-05-04T09:00:03.000Z");
});
