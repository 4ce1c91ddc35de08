import type { UseFormRegister } from "react-hook-form";
import { say } from "../../phrases/screens/door";
import { Entry } from "../../ui/form/Entry";
import { faultOf } from "../../ui/form/faults";
import { PasswordInput } from "../../ui/form/PasswordInput";

type Told = "name" | "email" | "password";

const MISSING: Record<Told, string> = {
  name: say.giveYourName,
  email: say.giveAnEmail,
  password: say.chooseAPassword,
};

/** Name, e-mail and password of somebody who gets an account. */
export function Newcomer(props: {
  // biome-ignore lint/suspicious/noExplicitAny: of whatever form these three are part
  register: UseFormRegister<any>;
  errors: Partial<Record<Told, unknown>>;
  /** What the server refused, if it did. */
  refused: unknown;
}) {
  const { register } = props;
  const fault = (field: Told) => (props.errors[field] ? MISSING[field] : faultOf(props.refused, field));
  return (
    <>
      <Entry label={say.yourName} fault={fault("name")}>
        <input
          className="input h-12 w-full text-base"
          autoComplete="name"
          maxLength={120}
          aria-invalid={Boolean(fault("name"))}
          {...register("name", { validate: (name: string) => name.trim() !== "" })}
        />
      </Entry>
      <Entry label="E-mail" hint={say.youSignInWithIt} fault={fault("email")}>
        <input
          type="email"
          className="input h-12 w-full text-base"
          autoComplete="username"
          maxLength={254}
          aria-invalid={Boolean(fault("email"))}
          {...register("email", { required: true })}
        />
      </Entry>
      <Entry label="Password" hint={say.whatMakesAPassword} fault={fault("password")}>
        <PasswordInput
          autoComplete="new-password"
          aria-invalid={Boolean(fault("password"))}
          {...register("password", { required: true })}
        />
      </Entry>
    </>
  );
}
