import { useMutation } from "@tanstack/react-query";
import { Link } from "@tanstack/react-router";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { api } from "../../api/client";
import { say } from "../../phrases/screens/door";
import { Button } from "../../ui/Button";
import { Entry } from "../../ui/form/Entry";
import { faultOf, isToldAtFields } from "../../ui/form/faults";
import { PasswordInput } from "../../ui/form/PasswordInput";
import { ProblemNote } from "../../ui/ProblemNote";
import { OverWater } from "./OverWater";

/** Set a new password with a one-time link. */
export function PasswordPage() {
  const [token] = useState(() => location.hash.slice(1));
  const form = useForm({ defaultValues: { password: "" } });
  const setting = useMutation({
    mutationFn: ({ password }: { password: string }) =>
      api.PUT("/api/door/password", { body: { token, password } }),
  });
  const { errors } = form.formState;
  return (
    <OverWater title={say.newPassword}>
      {setting.isSuccess ? (
        <>
          <p role="status" className="mt-3">
            {say.passwordIsSet}
          </p>
          <Link to="/sign-in" className="btn btn-primary mt-6 h-12 w-full text-base">
            Sign in
          </Link>
        </>
      ) : (
        <form noValidate onSubmit={form.handleSubmit((sent) => setting.mutate(sent))}>
          <Entry
            label="Password"
            hint={say.whatMakesAPassword}
            fault={(errors.password && say.chooseAPassword) || faultOf(setting.error, "password")}
          >
            <PasswordInput autoComplete="new-password" {...form.register("password", { required: true })} />
          </Entry>
          {setting.error && !isToldAtFields(setting.error) && <ProblemNote error={setting.error} />}
          <Button
            look="main"
            type="submit"
            className="mt-6 h-12 w-full text-base"
            disabled={setting.isPending}
          >
            {say.setPassword}
          </Button>
        </form>
      )}
    </OverWater>
  );
}
