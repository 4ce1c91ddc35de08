import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { ClientPage } from "../../api/client";
import { meQuery } from "../../api/queries";
import { say } from "../../phrases/screens/clients/page";
import { shared } from "../../phrases/screens/shared";
import { Button } from "../../ui/Button";
import { DescribeClient } from "./describing/DescribeClient";
import { DescribeHealth } from "./describing/DescribeHealth";
import { DescribeWishes } from "./describing/DescribeWishes";
import type { Describe } from "./describing/useDescribe";
import { PutTogether } from "./exchange/PutTogether";
import { Erase, TakeOut } from "./exchange/TakeOut";
import { History } from "./History";
import { Intakes } from "./Intakes";

const PARTS = [
  shared.nameAndContact,
  "Health",
  say.wishesAndPlaces,
  "Intake",
  say.whereThisCameFrom,
  "Export",
  "Merge",
  "Delete",
] as const;

/** Everything else that can be said and done about a client, one part open at a time. */
export function More(props: { client: ClientPage; describe: Describe }) {
  const { client, describe } = props;
  const [open, setOpen] = useState<(typeof PARTS)[number] | null>(null);
  const { archived } = client.record;
  const mayErase = useQuery(meQuery).data?.may.includes("erase_client");
  return (
    <section aria-label="More" className="mt-2">
      <div className="-ml-2.5 flex flex-wrap">
        {PARTS.filter((part) => part !== "Delete" || mayErase).map((part) => (
          <Button
            key={part}
            look="quiet"
            className={`px-2.5 ${part === open ? "bg-base-300" : ""}`}
            aria-expanded={part === open}
            onClick={() => setOpen(part === open ? null : part)}
          >
            {part}
          </Button>
        ))}
        <Button look="quiet" className="px-2.5" onClick={() => describe.mutate({ archived: !archived })}>
          {archived ? "Restore" : "Archive"}
        </Button>
      </div>
      {open && (
        <section aria-label={open} className="mt-3 rounded-box bg-base-200 px-6 py-5">
          {open === shared.nameAndContact && (
            <DescribeClient key={client.revision} client={client} describe={describe} />
          )}
          {open === "Health" && <DescribeHealth key={client.revision} client={client} describe={describe} />}
          {open === say.wishesAndPlaces && <DescribeWishes client={client} describe={describe} />}
          {open === "Intake" && <Intakes client={client} />}
          {open === say.whereThisCameFrom && <History clientId={client.client_id} />}
          {open === "Export" && <TakeOut client={client} />}
          {open === "Merge" && <PutTogether client={client} />}
          {open === "Delete" && <Erase client={client} />}
        </section>
      )}
    </section>
  );
}
