import { useMutation } from "@tanstack/react-query";
import { useForm } from "react-hook-form";
import { api, Problem } from "../../api/client";
import { say } from "../../phrases/screens/door";
import { Button } from "../../ui/Button";
import { Entry } from "../../ui/form/Entry";
import { PasswordInput } from "../../ui/form/PasswordInput";
import { ProblemNote } from "../../ui/ProblemNote";
import { useEnter } from "./useEnter";

interface Credentials {
  email: string;
  password: string;
  code: string;
}

const wantsCode = (error: unknown) =>
  error instanceof Problem && /:code-(wanted|wrong)$/.test(error.document.type);

/** E-mail and password; the code of a second factor once it is asked for. */
export function SignInForm({ to }: { to: string | undefined }) {
  const { register, handleSubmit, formState } = useForm<Credentials>({ defaultValues: { code: "" } });
  const { errors } = formState;
  const enter = useEnter(to);
  const signIn = useMutation({
    mutationFn: (credentials: Credentials) => api.POST("/api/sign-in", { body: credentials }),
    onSuccess: enter,
  });
  const withCode = wantsCode(signIn.error) || Boolean(signIn.variables?.code);
  return (
    <form noValidate onSubmit={handleSubmit((credentials) => signIn.mutate(credentials))}>
      <Entry label="E-mail" fault={errors.email && say.giveYourEmail}>
        <input
          type="email"
          autoComplete="username"
          className="input h-12 w-full text-base"
          aria-invalid={Boolean(errors.email)}
          {...register("email", { required: true })}
        />
      </Entry>
      <Entry label="Password" fault={errors.password && say.giveYourPassword}>
        <PasswordInput
          autoComplete="current-password"
          aria-invalid={Boolean(errors.password)}
          {...register("password", { required: true })}
        />
      </Entry>
      {withCode && (
        <Entry label="Code" hint={say.whereTheCodeIs}>
          <input
            inputMode="numeric"
            autoComplete="one-time-code"
            // biome-ignore lint/a11y/noAutofocus: it has just been asked for
            autoFocus
            className="input h-12 w-full text-base"
            {...register("code")}
          />
        </Entry>
      )}
      {signIn.error && <ProblemNote error={signIn.error} />}
      <Button look="main" type="submit" className="mt-6 h-12 w-full text-base" disabled={signIn.isPending}>
        {signIn.isPending ? say.signingIn : "Sign in"}
      </Button>
      <p className="mt-3 text-quiet">{say.forgotten}</p>
    </form>
  );
}
