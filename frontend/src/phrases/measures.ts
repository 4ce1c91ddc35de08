/** Measures as the practice tells them. Inside they are centimetres, kilograms and millilitres. */
import type { PackingLine } from "../api/client";
import { inFeet, locale } from "../api/manner";

const CM_IN_INCH = 2.54;
const KG_IN_POUND = 0.45359237;
const ML_IN_FLUID_OUNCE = 29.5735295625;

function unit(amount: number, name: string, digits = 0): string {
  return new Intl.NumberFormat(locale(), {
    style: "unit",
    unit: name,
    maximumFractionDigits: digits,
  }).format(amount);
}

/** `1.5` or `1,5`: so many digits after the mark. */
export function decimal(number: number, digits = 1): string {
  const fixed = { minimumFractionDigits: digits, maximumFractionDigits: digits };
  return new Intl.NumberFormat(locale(), fixed).format(number);
}

/** Feet and inches, to the inch. */
export function inFeetAndInches(cm: number): [feet: number, inches: number] {
  const inches = Math.round(cm / CM_IN_INCH);
  return [Math.floor(inches / 12), inches % 12];
}

/** Whole centimetres: from these the same inches come back. */
export function fromFeetAndInches(feet: number, inches: number): number {
  return Math.round((12 * feet + inches) * CM_IN_INCH);
}

export function inPounds(kg: number): number {
  return Math.round(kg / KG_IN_POUND);
}

/** Tenths of a kilogram: from these the same pounds come back. */
export function fromPounds(pounds: number): number {
  return Math.round(pounds * KG_IN_POUND * 10) / 10;
}

/** `170 cm`, `5 ft 7 in`. */
export function heightWords(cm: number): string {
  if (!inFeet()) return unit(cm, "centimeter");
  const [feet, inches] = inFeetAndInches(cm);
  return `${unit(feet, "foot")} ${unit(inches, "inch")}`;
}

/** A table's height as it is typed: whole centimetres or inches. */
export function inTableUnit(cm: number): number {
  return Math.round(inFeet() ? cm / CM_IN_INCH : cm);
}

/** Whole centimetres of a table's height as it is typed. */
export function fromTableUnit(typed: number): number {
  return Math.round(inFeet() ? typed * CM_IN_INCH : typed);
}

/** `72 cm`, `28 in`. */
export function tableHeightWords(cm: number): string {
  return unit(inTableUnit(cm), inFeet() ? "inch" : "centimeter");
}

/** `68.5 kg`, `151 lb`. */
export function weightWords(kg: number): string {
  return inFeet() ? unit(inPounds(kg), "pound") : unit(kg, "kilogram", 1);
}

/** A thing to lay out, with how much of it is poured. */
export function packed({ words, millilitres }: PackingLine): string {
  return millilitres ? `${words}: about ${pouredWords(millilitres)}` : words;
}

/** What is poured: `14 ml`, `0.5 fl oz`. */
export function pouredWords(ml: number): string {
  return inFeet() ? unit(ml / ML_IN_FLUID_OUNCE, "fluid-ounce", 1) : unit(Math.round(ml), "milliliter");
}
