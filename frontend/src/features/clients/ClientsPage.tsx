import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Link, useNavigate, useRouterState } from "@tanstack/react-router";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { api, body, type ClientInList, type ClientPage } from "../../api/client";
import { clientsQuery, meQuery } from "../../api/queries";
import { say } from "../../phrases/screens/clients/page";
import { shared } from "../../phrases/screens/shared";
import { dayAndTime } from "../../phrases/time";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/ProblemNote";
import { SearchLine } from "../../ui/SearchLine";
import { useSteady } from "../../ui/useSteady";
import { Waiting } from "../../ui/Waiting";

/** Clients: search first; a name, digits of a phone number, or a word of what was noted. */
export function ClientsPage() {
  const [typed, setTyped] = useState("");
  const [withOld, setWithOld] = useState(false);
  const found = useQuery({ ...clientsQuery(typed.trim(), withOld), placeholderData: keepPreviousData });
  const { shown, steady } = useSteady(found.data);
  const me = useQuery(meQuery).data;
  const timeZone = me?.time_zone ?? "UTC";
  const erased = useRouterState({ select: (state) => state.location.state.erased });
  return (
    <>
      <h1 className="text-3xl">Clients</h1>
      {erased && (
        <p role="status" className="mt-2">
          {erased}
        </p>
      )}
      <SearchLine
        label={say.findClient}
        placeholder={say.whatToSearchBy}
        typed={typed}
        onType={setTyped}
        withOld={withOld}
        onWithOld={setWithOld}
      >
        {me?.may.includes("bring_in_clients") && (
          <Link to="/clients/in" className="btn btn-ghost min-h-11">
            {say.importContacts}
          </Link>
        )}
        {me?.may.includes("read_cards") && (
          <a href="/api/clients-out/cards" download className="btn btn-ghost min-h-11">
            {say.allContactsVcard}
          </a>
        )}
      </SearchLine>
      <AddClient />
      {found.error && <ProblemNote error={found.error} onAgain={() => found.refetch()} />}
      {found.isPending && <Waiting what={say.lookingUpClients} shape="list" />}
      {found.data?.length === 0 && (
        <p role="status" className="mt-6">
          {typed.trim() ? say.nobodyFound : say.nobodyYet}
        </p>
      )}
      <ul aria-label="Clients" className="mt-4" {...steady}>
        {shown?.map((client) => (
          <Row key={client.client_id} client={client} timeZone={timeZone} />
        ))}
      </ul>
    </>
  );
}

function Row({ client, timeZone }: { client: ClientInList; timeZone: string }) {
  const when = (at: string) => dayAndTime(at, timeZone, new Date());
  return (
    <li className="border-t border-base-300">
      <Link
        to="/clients/$clientId"
        params={{ clientId: client.client_id }}
        className="grid min-h-14 items-baseline gap-x-6 rounded-field px-2 py-3 hover:bg-base-200 sm:grid-cols-[16rem_1fr_auto]"
      >
        <span>
          <span className="font-bold">{client.name}</span>
          {client.archived && <span className="text-quiet italic"> archived</span>}
        </span>
        <span>{client.know_first}</span>
        <span className="text-quiet">
          {client.next_at
            ? say.next(when(client.next_at))
            : client.last_at
              ? say.last(when(client.last_at))
              : client.phone}
        </span>
      </Link>
    </li>
  );
}

/** A client in one line; the rest follows on their page. */
function AddClient() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const form = useForm({ defaultValues: { name: "", phone: "" } });
  const adding = useMutation({
    mutationFn: (words: { name: string; phone: string }) =>
      body<ClientPage>(api.POST("/api/clients", { body: words })),
    onSuccess: async ({ client_id }) => {
      await queries.invalidateQueries({ queryKey: ["clients"] });
      await navigate({ to: "/clients/$clientId", params: { clientId: client_id } });
    },
  });
  return (
    <form
      aria-label={say.addClient}
      className="mt-3 flex flex-wrap items-center gap-2"
      onSubmit={form.handleSubmit((words) => adding.mutate(words))}
    >
      <input
        className="input min-h-11 w-64"
        aria-label="Name"
        placeholder={say.nameOfNewClient}
        maxLength={120}
        {...form.register("name", { validate: (name) => name.trim() !== "" })}
      />
      <input
        className="input min-h-11 w-48"
        aria-label="Phone"
        placeholder="Phone"
        maxLength={40}
        {...form.register("phone")}
      />
      <Button type="submit" disabled={adding.isPending}>
        Add
      </Button>
      {form.formState.errors.name && (
        <span role="alert" className="text-accent">
          {shared.giveName}
        </span>
      )}
      {adding.error && <ProblemNote error={adding.error} />}
    </form>
  );
}
