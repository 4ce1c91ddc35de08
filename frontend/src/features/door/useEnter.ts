import { useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "@tanstack/react-router";
import { setLeaving } from "../../api/owner";

/** What follows once somebody was let in: nothing of whoever was here before is shown to them. */
export function useEnter(to = "/") {
  const navigate = useNavigate();
  const queries = useQueryClient();
  return async () => {
    setLeaving(false);
    queries.clear();
    await navigate({ to });
  };
}
