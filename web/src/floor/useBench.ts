import { useMemo } from "react";
import type { Actor } from "../round/core";
import { tabletNow } from "../round/outbox";
import { useSiteStream } from "../round/useSiteStream";
import { registerOf } from "../solution/register";
import { solutionsOf } from "../solution/shelf";
import { useTable } from "../solution/table";

/** What the mixing bench knows, for a step: what stands where, and which instruments can be believed. */
export function useBench(actor: Actor) {
  const { table } = useTable();
  const { newest } = useSiteStream(actor);
  return useMemo(
    () => ({
      solutions: solutionsOf(newest, tabletNow()),
      register: table ? registerOf(table.pack, newest, tabletNow()) : [],
      vesselName: (id: string) => table?.pack.vessels.find((v) => v.id === id)?.name ?? id,
    }),
    [table, newest],
  );
}
