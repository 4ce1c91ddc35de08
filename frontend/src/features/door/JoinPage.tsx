import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { api, body, type Invited } from "../../api/client";
import { say } from "../../phrases/screens/door";
import { Button } from "../../ui/Button";
import { isToldAtFields } from "../../ui/form/faults";
import { ProblemNote } from "../../ui/ProblemNote";
import { Waiting } from "../../ui/Waiting";
import { Newcomer } from "./Newcomer";
import { OverWater } from "./OverWater";
import { useEnter } from "./useEnter";

/** Join a practice with an invitation, whose secret part stands behind the # of the address. */
export function JoinPage() {
  const [token] = useState(() => location.hash.slice(1));
  const invited = useQuery({
    queryKey: ["invitation", token],
    queryFn: () => body<Invited>(api.POST("/api/door/invitation", { body: { token } })),
    staleTime: Number.POSITIVE_INFINITY,
  });
  return (
    <OverWater title={say.joinPractice}>
      {invited.isPending && <Waiting what={say.readingInvitation} />}
      {invited.error && <ProblemNote error={invited.error} />}
      {invited.data && <JoinForm token={token} invited={invited.data} />}
    </OverWater>
  );
}

function JoinForm({ token, invited }: { token: string; invited: Invited }) {
  const form = useForm({ defaultValues: { name: invited.invited_for, email: "", password: "" } });
  const enter = useEnter();
  const joining = useMutation({
    mutationFn: (newcomer: { name: string; email: string; password: string }) =>
      api.POST("/api/door/members", { body: { token, ...newcomer } }),
    onSuccess: enter,
  });
  const { errors } = form.formState;
  return (
    <form noValidate onSubmit={form.handleSubmit((newcomer) => joining.mutate(newcomer))}>
      <p className="mt-3">{say.invitedTo(invited.made_by, invited.practice, invited.role)}</p>
      <Newcomer register={form.register} errors={errors} refused={joining.error} />
      {joining.error && !isToldAtFields(joining.error) && <ProblemNote error={joining.error} />}
      <Button look="main" type="submit" className="mt-6 h-12 w-full text-base" disabled={joining.isPending}>
        {joining.isPending ? say.joining : "Join"}
      </Button>
    </form>
  );
}
