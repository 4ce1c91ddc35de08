import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { stockQuery } from "../../api/besideQueries";
import { api, body, type DayPreparation, type StockView } from "../../api/client";
import { pouredWords } from "../../phrases/measures";
import { say } from "../../phrases/screens/prepare";
import { capital } from "../../phrases/words";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/ProblemNote";

type Counted = StockView["stock"][number];
type Row = Pick<Counted, "item" | "kind" | "name">;

/** What there is of lubricants and clean linen: counted down by signed logs, counted anew by hand; what runs low is on a list. */
export function StockOf({ supplies }: { supplies: DayPreparation["supplies"] }) {
  const stock = useQuery(stockQuery);
  if (stock.error) return <ProblemNote error={stock.error} onAgain={() => stock.refetch()} />;
  if (!stock.data) return null;
  const counted = stock.data.stock;
  const wanted: Row[] = [
    ...supplies.lubricants.map(({ lubricant, name }) => ({
      item: lubricant,
      kind: "lubricant" as const,
      name,
    })),
    ...supplies.linen
      .filter(({ washed }) => washed)
      .map(({ item, name }) => ({ item, kind: "linen" as const, name })),
  ];
  const rows = [...counted, ...wanted.filter(({ item }) => !counted.some((one) => one.item === item))];
  return (
    <section aria-label={say.stock}>
      <h2 className="text-2xl">{say.stock}</h2>
      <p className="text-quiet">{say.signedLogsTake}</p>
      <ul>
        {rows.map((row) => (
          <Item key={row.item} row={row} there={counted.find(({ item }) => item === row.item)} />
        ))}
      </ul>
      {stock.data.shopping_list && (
        <div role="note" className="mt-2">
          <h3 className="text-lg">{say.toBuyOrWash}</h3>
          <p className="whitespace-pre-line">{stock.data.shopping_list}</p>
          <Button look="quiet" onClick={() => navigator.clipboard?.writeText(stock.data.shopping_list)}>
            Copy
          </Button>
        </div>
      )}
    </section>
  );
}

function Item({ row, there }: { row: Row; there: Counted | undefined }) {
  const queries = useQueryClient();
  const [typed, setTyped] = useState("");
  const counting = useMutation({
    mutationFn: (amount: number) =>
      body<StockView>(
        api.PUT("/api/stock/{item}", {
          params: { path: { item: row.item } },
          body: { entry_id: crypto.randomUUID(), amount },
        }),
      ),
    onSuccess: (now) => {
      queries.setQueryData(stockQuery.queryKey, now);
      setTyped("");
    },
  });
  const name = capital(row.name);
  const amountWords = row.kind === "linen" ? say.pieces : pouredWords;
  return (
    <li className="py-1">
      <p>
        {there ? say.stockIs(name, amountWords(there.amount)) : say.notCounted(name)}
        {there?.low && (
          <span className="font-bold text-accent">
            {say.lowStock(
              row.kind === "linen" ? String(there.wanted) : pouredWords(there.wanted),
              there.days,
            )}
          </span>
        )}
      </p>
      <form
        className="flex gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (typed) counting.mutate(Number(typed));
        }}
      >
        <input
          className="input min-h-11 w-28 text-base"
          type="number"
          min={0}
          max={100000}
          inputMode="numeric"
          aria-label={say.countIt(row.name, row.kind)}
          placeholder={row.kind === "linen" ? "pieces" : "ml"}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
        <Button type="submit" disabled={counting.isPending}>
          Save
        </Button>
      </form>
      {counting.error && <ProblemNote error={counting.error} />}
    </li>
  );
}
