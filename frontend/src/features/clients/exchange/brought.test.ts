import { expect, it } from "vitest";
import { readFile } from "../../../lib/readFile";
import { fieldsOf, kindOf } from "./brought";

it("reads UTF-8, and what older programs write", async () => {
  expect(await readFile(new Blob([new TextEncoder().encode("Łucja")]))).toBe("Łucja");
  expect(await readFile(new Blob([new Uint8Array([0x4a, 0xf6, 0x72, 0x79])]))).toBe("Jöry");
});

it("tells cards from a table", () => {
  expect(kindOf("\r\nbegin:vcard\r\nFN:x")).toBe("vcard");
  expect(kindOf("name,phone\nJory,1")).toBe("table");
});

it("takes only the columns that seem to be something", () => {
  const columns = [
    { heading: "Name", samples: [], field: "name" as const },
    { heading: "Shoe", samples: [], field: null },
    { heading: "Tel", samples: [], field: "phone" as const },
  ];
  expect(fieldsOf({ columns, lines: 1 })).toEqual({ 0: "name", 2: "phone" });
});
