import { useQuery } from "@tanstack/react-query";
import { Link } from "@tanstack/react-router";
import { accountQuery } from "../../api/practiceQueries";
import { meQuery } from "../../api/queries";
import { say } from "../../phrases/screens/account";
import { ProblemNote } from "../../ui/ProblemNote";
import { Waiting } from "../../ui/Waiting";
import { ChangePassword } from "./ChangePassword";
import { Devices } from "./Devices";
import { NameAndEmail } from "./NameAndEmail";
import { OwnCalendar } from "./OwnCalendar";
import { SecondFactor } from "./SecondFactor";
import { SignOut } from "./SignOut";
import { ThemeButton } from "./ThemeButton";

/** One's own account: name, e-mail, password, second factor, devices. */
export function AccountPage() {
  const account = useQuery(accountQuery);
  const me = useQuery(meQuery).data;
  if (account.error) return <ProblemNote error={account.error} onAgain={() => account.refetch()} />;
  if (!account.data || !me) return <Waiting what={say.openingAccount} shape="list" />;
  return (
    <>
      <h1 className="text-3xl">{say.yourAccount}</h1>
      <p className="mt-1 text-quiet">{say.whoAt(me.name, me.practice, me.role)}</p>
      <div className="mt-3 flex flex-wrap items-center gap-2 lg:hidden">
        <Link to="/practice" className="btn min-h-11">
          {say.practiceSettings}
        </Link>
        <SignOut name={me.name} />
        <ThemeButton />
      </div>
      {me.demo ? (
        <p role="note" className="mt-4 max-w-prose">
          {say.demoAccountStays}{" "}
          <Link to="/open" className="link">
            {say.openOfYourOwn}
          </Link>
        </p>
      ) : (
        <div className="mt-2 grid items-start gap-x-16 lg:grid-cols-2">
          <NameAndEmail account={account.data} />
          <ChangePassword />
          <SecondFactor account={account.data} />
          <OwnCalendar timeZone={me.time_zone} />
          <Devices devices={account.data.devices} timeZone={me.time_zone} />
        </div>
      )}
    </>
  );
}
