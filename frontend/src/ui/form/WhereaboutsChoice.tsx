import { useMemo } from "react";
import type { UseFormRegisterReturn } from "react-hook-form";
import { say } from "../../phrases/screens/ui";

/** Every time zone the browser knows, with the one that is chosen, and every country by its name. */
export function WhereaboutsChoice(props: {
  chosenZone: string;
  countries: readonly string[];
  zone: UseFormRegisterReturn;
  country: UseFormRegisterReturn;
}) {
  const zones = useMemo(
    () => [...new Set([...Intl.supportedValuesOf("timeZone"), "UTC", props.chosenZone])].sort(),
    [props.chosenZone],
  );
  const named = useMemo(() => {
    const names = new Intl.DisplayNames("en", { type: "region" });
    return props.countries
      .map((code) => [code, names.of(code) ?? code] as const)
      .sort((one, other) => one[1].localeCompare(other[1]));
  }, [props.countries]);
  return (
    <div className="mt-5 grid gap-x-4 gap-y-3 sm:grid-cols-2">
      <label className="block">
        <span className="mb-1 block font-bold">{say.timeZone}</span>
        <select className="select h-12 w-full text-base" {...props.zone}>
          {zones.map((zone) => (
            <option key={zone} value={zone}>
              {zone.replaceAll("_", " ")}
            </option>
          ))}
        </select>
      </label>
      <label className="block">
        <span className="mb-1 block font-bold">Country</span>
        <select className="select h-12 w-full text-base" {...props.country}>
          <option value="">{say.notSaid}</option>
          {named.map(([code, name]) => (
            <option key={code} value={code}>
              {name}
            </option>
          ))}
        </select>
      </label>
    </div>
  );
}
