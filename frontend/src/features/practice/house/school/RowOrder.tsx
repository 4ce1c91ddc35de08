import type { Catalogue, OwnSchool } from "../../../../api/client";
import { useCatalogue } from "../../../../api/useCatalogue";
import { say } from "../../../../phrases/screens/practice/schools";
import { capital, listed } from "../../../../phrases/words";
import { Button } from "../../../../ui/Button";

type Blocks = OwnSchool["blocks"];

/** The order: which position first, and in each which row after which; the regions of one row go in any order. */
export function RowOrder(props: { own: OwnSchool; may: boolean; onKeep(own: OwnSchool): void }) {
  const { own, may, onKeep } = props;
  const catalogue = useCatalogue();
  const keep = (blocks: Blocks) => onKeep({ ...own, blocks });
  return (
    <div className="mt-6">
      <h3 className="text-xl">{say.order}</h3>
      <p className="text-quiet">{say.whatRowsAre}</p>
      <ol className="mt-3 grid gap-6 md:grid-cols-2">
        {own.blocks.map((block, b) => (
          <li key={block.position}>
            <div className="flex items-center gap-3">
              <b className="grow">{capital(catalogue.positions[block.position]?.name ?? block.position)}</b>
              {may && b > 0 && (
                <Button
                  aria-label={say.earlier(catalogue.positions[block.position]?.name ?? block.position)}
                  onClick={() => keep(swapped(own.blocks, b))}
                >
                  {say.moveEarlier}
                </Button>
              )}
            </div>
            <ol className="divide-y divide-base-300">
              {block.rows.map((row, r) => {
                const name = listed(row.map((region) => catalogue.regions[region]?.whole ?? region));
                const put = (rows: Blocks[number]["rows"]) =>
                  keep(own.blocks.map((one, i) => (i === b ? { ...one, rows } : one)));
                return (
                  <li key={row.join()} className="flex min-h-12 flex-wrap items-center gap-x-1">
                    <span className="grow">{capital(name)}</span>
                    {may && r > 0 && (
                      <>
                        <Button
                          className="px-3"
                          aria-label={say.earlier(name)}
                          onClick={() => put(swapped(block.rows, r))}
                        >
                          {say.moveEarlier}
                        </Button>
                        <Button
                          className="px-3"
                          aria-label={say.together(name)}
                          onClick={() => put(joined(block.rows, r))}
                        >
                          {say.join}
                        </Button>
                      </>
                    )}
                    {may && row.length > 1 && (
                      <Button
                        className="px-3"
                        aria-label={say.apart(name)}
                        onClick={() => put(split(block.rows, r))}
                      >
                        {say.split}
                      </Button>
                    )}
                    {may && block.rows.length > 1 && (
                      <Button
                        look="quiet"
                        className="px-3"
                        aria-label={say.leaveOut(name)}
                        onClick={() => put(block.rows.filter((_, i) => i !== r))}
                      >
                        {say.out}
                      </Button>
                    )}
                  </li>
                );
              })}
            </ol>
            {may && (
              <LeftOut
                regions={leftOut(block, catalogue.schools[own.base])}
                onTake={(region) =>
                  keep(
                    own.blocks.map((one, i) => (i === b ? { ...one, rows: [...one.rows, [region]] } : one)),
                  )
                }
              />
            )}
          </li>
        ))}
      </ol>
    </div>
  );
}

function LeftOut({ regions, onTake }: { regions: readonly string[]; onTake(region: string): void }) {
  const catalogue = useCatalogue();
  if (regions.length === 0) return null;
  return (
    <p className="flex flex-wrap items-center gap-2 border-t border-base-300 pt-2 text-quiet">
      {say.notHere}
      {regions.map((region) => (
        <Button key={region} onClick={() => onTake(region)}>
          {say.add(catalogue.regions[region]?.whole ?? region)}
        </Button>
      ))}
    </p>
  );
}

/** What the school that this one was begun from works in the position, and this one does not. */
function leftOut(block: Blocks[number], base: Catalogue["schools"][string] | undefined): string[] {
  const worked = block.rows.flat();
  const there = base?.block.find(({ position }) => position === block.position)?.rows.flat() ?? [];
  return there.filter((region) => !worked.includes(region));
}

/** The list with its `at`th before the one that was before it. */
function swapped<T>(list: readonly T[], at: number): T[] {
  const next = [...list];
  const [moved] = next.splice(at, 1);
  if (moved !== undefined) next.splice(at - 1, 0, moved);
  return next;
}

/** The `at`th row and the one before it made one. */
function joined(rows: Blocks[number]["rows"], at: number): Blocks[number]["rows"] {
  return rows.flatMap((row, i) => (i === at - 1 ? [[...row, ...(rows[at] ?? [])]] : i === at ? [] : [row]));
}

/** Each region of the `at`th row in a row of its own. */
function split(rows: Blocks[number]["rows"], at: number): Blocks[number]["rows"] {
  return rows.flatMap((row, i) => (i === at ? row.map((region) => [region]) : [row]));
}
