import { useMutation, useQueryClient } from "@tanstack/react-query";
import { say } from "../language/say.ts";
import { ApiError, errorWords } from "./api.ts";
import { type AccountChange, ownAccount, peopleApi } from "./people-api.ts";

/** Changes something of one's own account, and reads it anew. */
export function useAccountChange() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (change: AccountChange) => peopleApi.changeAccount(change),
    onSuccess: () => client.invalidateQueries(ownAccount),
  });
}

/** What is said of one key of a body that was refused. @example problemAt(error, "password") // "A password has at least …" */
export function problemAt(error: Error | null, key: string): string | undefined {
  if (!(error instanceof ApiError)) return undefined;
  const found = error.problems.find(({ pointer }) => pointer === `#/${key}`);
  return found && say(found.phrase);
}

/** What went wrong, where no field is to blame. */
export const problemElsewhere = (error: Error | null): string | undefined =>
  error && !(error instanceof ApiError && error.problems.length > 0) ? errorWords(error) : undefined;
