import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate, useSearch } from "@tanstack/react-router";
import { useForm } from "react-hook-form";
import { api } from "../../api/client";
import { setLeaving } from "../../api/owner";
import { meQuery } from "../../api/queries";
import { say } from "../../phrases/screens/signIn";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/ProblemNote";
import { Wordmark } from "../../ui/Wordmark";
import { Seascape } from "./Seascape";

interface Credentials {
  email: string;
  password: string;
}

export function SignInPage() {
  const { to = "/" } = useSearch({ from: "/sign-in" });
  const navigate = useNavigate();
  const queries = useQueryClient();
  const { register, handleSubmit, formState } = useForm<Credentials>();
  const { errors } = formState;
  const signIn = useMutation({
    mutationFn: (credentials: Credentials) => api.POST("/api/sign-in", { body: credentials }),
    onSuccess: async () => {
      setLeaving(false);
      queries.removeQueries({ queryKey: meQuery.queryKey });
      await navigate({ to });
    },
  });
  return (
    <main className="relative flex min-h-dvh flex-col items-center justify-center overflow-hidden px-5">
      <Seascape />
      <form
        noValidate
        onSubmit={handleSubmit((credentials) => signIn.mutate(credentials))}
        className="relative w-full max-w-[26rem] rounded-box bg-base-100 px-7 py-8 shadow-xl"
      >
        <Wordmark />
        <h1 className="mt-5 text-3xl">{say.roomIsWarmComeIn}</h1>
        <Field label="E-mail" fault={errors.email && say.giveYourEmail}>
          <input
            type="email"
            autoComplete="username"
            className="input h-12 w-full text-base"
            aria-invalid={Boolean(errors.email)}
            {...register("email", { required: true })}
          />
        </Field>
        <Field label="Password" fault={errors.password && say.giveYourPassword}>
          <input
            type="password"
            autoComplete="current-password"
            className="input h-12 w-full text-base"
            aria-invalid={Boolean(errors.password)}
            {...register("password", { required: true })}
          />
        </Field>
        {signIn.error && <ProblemNote error={signIn.error} />}
        <Button look="main" type="submit" className="mt-6 h-12 w-full text-base" disabled={signIn.isPending}>
          {signIn.isPending ? "Signing in …" : "Sign in"}
        </Button>
      </form>
    </main>
  );
}

function Field(props: { label: string; fault: string | undefined; children: React.ReactNode }) {
  return (
    // biome-ignore lint/a11y/noLabelWithoutControl: the control is the child
    <label className="mt-5 block">
      <span className="mb-1 block font-bold">{props.label}</span>
      {props.children}
      {props.fault && (
        <span role="alert" className="mt-1 block text-accent">
          △ {props.fault}
        </span>
      )}
    </label>
  );
}
