import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { stockQuery } from "../../api/besideQueries";
import { api, body, type DayPreparation, type StockView } from "../../api/client";
import { pouredWords } from "../../phrases/measures";
import { say } from "../../phrases/screens/prepare";
import { capital } from "../../phrases/words";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/ProblemNote";

interface Row {
  lubricant: string;
  name: string;
}

/** What there is of the lubricants: counted down by signed logs, counted anew by hand; what runs low is on a list. */
export function StockOf({ lubricants }: { lubricants: DayPreparation["supplies"]["lubricants"] }) {
  const stock = useQuery(stockQuery);
  if (stock.error) return <ProblemNote error={stock.error} onAgain={() => stock.refetch()} />;
  if (!stock.data) return null;
  const counted = stock.data.stock;
  const rows: Row[] = [
    ...counted,
    ...lubricants.filter(({ lubricant }) => !counted.some((one) => one.lubricant === lubricant)),
  ];
  return (
    <section aria-label={say.stock}>
      <h2 className="text-2xl">{say.stock}</h2>
      <p className="text-quiet">{say.signedLogsTake}</p>
      <ul>
        {rows.map((row) => (
          <Lubricant key={row.lubricant} row={row} stock={stock.data} />
        ))}
      </ul>
      {stock.data.shopping_list && (
        <div role="note" className="mt-2">
          <h3 className="text-lg">{say.shoppingList}</h3>
          <p className="whitespace-pre-line">{stock.data.shopping_list}</p>
          <Button look="quiet" onClick={() => navigator.clipboard?.writeText(stock.data.shopping_list)}>
            Copy
          </Button>
        </div>
      )}
    </section>
  );
}

function Lubricant({ row, stock }: { row: Row; stock: StockView }) {
  const queries = useQueryClient();
  const [typed, setTyped] = useState("");
  const counting = useMutation({
    mutationFn: (millilitres: number) =>
      body<StockView>(
        api.PUT("/api/stock/{lubricant}", {
          params: { path: { lubricant: row.lubricant } },
          body: { entry_id: crypto.randomUUID(), millilitres },
        }),
      ),
    onSuccess: (now) => {
      queries.setQueryData(stockQuery.queryKey, now);
      setTyped("");
    },
  });
  const there = stock.stock.find(({ lubricant }) => lubricant === row.lubricant);
  const name = capital(row.name);
  return (
    <li className="py-1">
      <p>
        {there ? say.stockIs(name, pouredWords(there.millilitres)) : say.notCounted(name)}
        {there?.low && (
          <span className="font-bold text-accent">{say.lowStock(pouredWords(there.wanted))}</span>
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
          aria-label={say.countIt(row.name)}
          placeholder="ml"
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
