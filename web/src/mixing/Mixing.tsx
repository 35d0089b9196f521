import "./mixing.css";
import { useSearchParams } from "react-router";
import { NotShown, Waiting } from "../shared/PageState";
import { say, volumes } from "../shared/say";
import { measureIn } from "../shared/settings";
import { TabRow } from "../shared/TabRow";
import type { Volumes } from "../shared/volume";
import { useTable } from "../solution/table";
import { Calculations } from "./Calculations";
import { Mix } from "./Mix";
import { Register } from "./Register";
import { Shelf } from "./Shelf";

/** The mixing bench: what to pour, what a reading says, what to do about it, and what stands on the shelf. */
export default function Mixing() {
  const { pack, table } = useTable();
  const [params, setParams] = useSearchParams();
  const show = params.get("show") ?? (params.get("label") ? "shelf" : "mix");
  if (pack.isError && !table) {
    return (
      <NotShown
        what={say("mixing.mixing.cannot-be-shown", "The mixing bench cannot be shown")}
        error={pack.error}
        again={() => pack.refetch()}
      />
    );
  }
  if (!table) {
    return <Waiting what={say("mixing.mixing.loading", "Loading products, vessels and instruments…")} />;
  }
  const go = (to: string) =>
    setParams((now) => {
      const next = new URLSearchParams(now);
      next.set("show", to);
      next.delete("label");
      return next;
    });
  const tabs = [
    { id: "mix", name: say("mixing.mixing.mix-and-check", "Mix and check") },
    { id: "shelf", name: say("mixing.mixing.solutions", "Solutions on site") },
    { id: "instruments", name: say("mixing.mixing.instruments", "Instruments") },
    { id: "calc", name: say("mixing.mixing.calculations", "Calculations") },
  ];
  return (
    <main className="mixing">
      <div className="mixing-head">
        <TabRow
          className="mixing-tabs"
          label={say("mixing.mixing.what-is-shown", "What is shown")}
          tabs={tabs}
          shown={show}
          onShow={go}
        />
        <label className="mixing-units">
          {say("mixing.mixing.units", "Units")}{" "}
          <select value={volumes()} onChange={(e) => measureIn(e.currentTarget.value as Volumes)}>
            <option value="L">L, mL, mg/L</option>
            <option value="gal">gal, fl oz, ppm</option>
          </select>
        </label>
      </div>
      {show === "shelf" ? (
        <Shelf table={table} />
      ) : show === "instruments" ? (
        <Register table={table} />
      ) : show === "calc" ? (
        <Calculations table={table} />
      ) : table.pack.products.length === 0 ? (
        <p className="page-state">
          {say(
            "mixing.mixing.no-products",
            "This site has no product to mix yet. Enter them under Chemicals first.",
          )}
        </p>
      ) : (
        <Mix table={table} />
      )}
    </main>
  );
}
