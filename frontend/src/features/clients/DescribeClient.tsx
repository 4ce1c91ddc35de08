import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { api, body, type ClientPage, type Contact } from "../../api/client";
import { clientQuery } from "../../api/queries";
import { ProblemNote } from "../../ui/ProblemNote";

/** How a client is called and reached, what to know first, and putting them away. */
export function DescribeClient({ client }: { client: ClientPage }) {
  const queries = useQueryClient();
  const [open, setOpen] = useState(false);
  const form = useForm<Contact>({ defaultValues: client.contact });
  const describing = useMutation({
    mutationFn: (contact: Contact) =>
      body<ClientPage>(
        api.PUT("/api/clients/{client_id}", {
          params: { path: { client_id: client.client_id } },
          body: { revision: client.revision, contact },
        }),
      ),
    onSuccess: (described) => {
      queries.setQueryData(clientQuery(client.client_id).queryKey, described);
      queries.invalidateQueries({ queryKey: ["clients"] });
      queries.invalidateQueries({ queryKey: ["session"] });
      queries.invalidateQueries({ queryKey: ["day"] });
    },
  });
  const faults = form.formState.errors;
  return (
    <section aria-label="Name and contact" className="mt-8">
      <div className="flex flex-wrap gap-2">
        <button type="button" className="btn min-h-11" aria-expanded={open} onClick={() => setOpen(!open)}>
          Name and contact
        </button>
        <button
          type="button"
          className="btn btn-ghost min-h-11"
          onClick={() => describing.mutate({ ...client.contact, archived: !client.contact.archived })}
        >
          {client.contact.archived ? "Bring back" : "Put away"}
        </button>
      </div>
      {describing.error && <ProblemNote error={describing.error} />}
      {open && (
        <form
          aria-label="Name and contact"
          className="mt-3 grid max-w-3xl gap-x-6 gap-y-3 rounded-box bg-base-200 px-6 py-5 sm:grid-cols-2"
          onSubmit={form.handleSubmit((contact) => describing.mutate(contact))}
        >
          <Field label="Name" fault={faults.name && "Give a name."}>
            <input
              className="input min-h-11 w-full"
              maxLength={120}
              {...form.register("name", { validate: (name) => name.trim() !== "" })}
            />
          </Field>
          <Field label="Called">
            <input className="input min-h-11 w-full" maxLength={80} {...form.register("address_as")} />
          </Field>
          <Field label="Phone">
            <input className="input min-h-11 w-full" type="tel" maxLength={40} {...form.register("phone")} />
          </Field>
          <Field label="E-mail">
            <input
              className="input min-h-11 w-full"
              type="email"
              maxLength={200}
              {...form.register("email")}
            />
          </Field>
          <Field label="Height in cm" fault={faults.height_cm && "Between 100 and 230."}>
            <input
              className="input min-h-11 w-full"
              inputMode="numeric"
              {...form.register("height_cm", {
                valueAsNumber: true,
                validate: (cm) => cm >= 100 && cm <= 230,
              })}
            />
          </Field>
          <Field label="To know first">
            <input className="input min-h-11 w-full" maxLength={400} {...form.register("know_first")} />
          </Field>
          <div className="sm:col-span-2">
            <Field label="Note">
              <textarea className="textarea w-full" rows={3} maxLength={4000} {...form.register("note")} />
            </Field>
          </div>
          <button
            type="submit"
            className="btn btn-primary min-h-11 justify-self-start"
            disabled={describing.isPending}
          >
            Keep it so
          </button>
        </form>
      )}
    </section>
  );
}

function Field(props: { label: string; fault?: string | undefined; children: React.ReactNode }) {
  return (
    // biome-ignore lint/a11y/noLabelWithoutControl: the control is what it is given
    <label className="block">
      <span className="text-quiet">{props.label}</span>
      {props.children}
      {props.fault && (
        <span role="alert" className="text-accent">
          {props.fault}
        </span>
      )}
    </label>
  );
}
