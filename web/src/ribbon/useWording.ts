import { useQuery } from "@tanstack/react-query";
import { api, unwrap } from "../api/client";
import { keys } from "../shared/keys";

/** What a step is put into words with: the sheet of its machine, the products of the site, the actions there are. */
export function useWording(machine: string | undefined) {
  const sheet = useQuery({
    queryKey: keys.sheet(machine),
    enabled: machine !== undefined,
    queryFn: () => unwrap(api.GET("/api/machines/{code}", { params: { path: { code: machine ?? "" } } })),
  });
  const chemicals = useQuery({
    queryKey: keys.chemicals(),
    queryFn: () => unwrap(api.GET("/api/chemicals")),
  });
  const actions = useQuery({
    queryKey: keys.actions(),
    queryFn: () => unwrap(api.GET("/api/actions")),
    staleTime: Number.POSITIVE_INFINITY,
  });
  return { sheet, chemicals, actions };
}
