import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import type { StatedFigures } from "../../../server/evidence/stated-figures.ts";
import { askAnew, evidenceApi, statedFigures } from "../../state/evidence-api.ts";

/** What the store has stated, and how it states something; what goals would bring is asked anew then. */
export function useFigures() {
  const client = useQueryClient();
  const { data } = useQuery(statedFigures);
  const { mutate, error } = useMutation({
    mutationFn: evidenceApi.stateFigure,
    onSuccess: async (figures: StatedFigures) => {
      client.setQueryData(statedFigures.queryKey, figures);
      await askAnew(client, "gain");
    },
  });
  return { figures: data, state: mutate, failure: error };
}
