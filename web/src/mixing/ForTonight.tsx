import { NativeSelect } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { api, type Schemas, unwrap } from "../api/client";
import { heard } from "../shared/kept";
import { keys } from "../shared/keys";
import { say } from "../shared/say";
import type { Pack } from "../solution/table";
import type { Put } from "./useAsked";

type Needed = Schemas["NightSolution"];

/** What tonight's cleans need, to be taken as the job; what the procedure says is where the bench begins. */
export function ForTonight({ pack, put }: { pack: Pack; put: Put }) {
  const needed = useQuery({
    queryKey: keys.tonightSolutions(),
    queryFn: () => heard("tonight-solutions", () => unwrap(api.GET("/api/tonight/solutions"))),
    retry: false,
  });
  const all = (needed.data ?? []).filter((n) => pack.products.some((p) => p.id === n.product));
  if (all.length === 0) {
    return null;
  }
  const take = (n: Needed) => {
    const vessel = pack.vessels.find((v) => v.name.toLowerCase() === n.vessel?.toLowerCase());
    put({
      product: n.product,
      by: null,
      vessel: vessel?.id ?? null,
      litres: n.litres,
      t: n.celsius ?? null,
      ph: n.ph ?? null,
      aim: n.mgPerL ?? n.percent ?? null,
      for: say("mixing.tonight.purpose", "{0}, step {1}", n.machine, n.step),
    });
  };
  return (
    <NativeSelect
      label={say("mixing.tonight.for", "For a step of tonight")}
      value=""
      data={[
        { value: "", label: say("mixing.tonight.choose", "free, or choose a step") },
        ...all.map((n, i) => ({
          value: String(i),
          label: say(
            "mixing.tonight.step",
            "{0}, step {1}: {2}, {3} L",
            n.machine,
            n.step,
            pack.products.find((p) => p.id === n.product)?.name ?? n.product,
            n.litres,
          ),
        })),
      ]}
      onChange={(e) => e.currentTarget.value !== "" && take(all[Number(e.currentTarget.value)])}
    />
  );
}
