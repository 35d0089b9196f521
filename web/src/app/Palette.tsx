import { say } from "../shared/say";
import { told, VERSION_STATES } from "../shared/texts";
import "@mantine/spotlight/styles.css";
import { Spotlight } from "@mantine/spotlight";
import { useQuery } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, unwrap } from "../api/client";
import { useCommands } from "../shared/commands";
import { keys } from "../shared/keys";
import { useSession } from "../shared/session";

const PLACES: [string, string][] = [
  [say("app.palette.tonight", "Tonight"), "/tonight"],
  [say("app.palette.machines-and-procedures", "Machines and procedures"), "/procedures"],
  [say("app.palette.paste-an-old-procedure", "Paste an old procedure"), "/procedures/old-text"],
  [say("app.palette.due", "What is due"), "/due"],
  [say("app.palette.mixing", "Mixing"), "/mixing"],
  [say("app.palette.floor", "Floor"), "/floor"],
  [say("app.palette.board", "Board"), "/board"],
  [say("app.palette.logbook", "Logbook"), "/logbook"],
  [say("app.palette.chemicals", "Chemicals"), "/chemicals"],
  [say("app.palette.rule-book", "Rule book"), "/rulebook"],
];
const OF_SUPERVISORS: [string, string][] = [
  [say("app.palette.people-and-site", "People and site"), "/people"],
];

/** Go anywhere or do what this screen offers, by typing: the key is the full stop. */
export function Palette() {
  const navigate = useNavigate();
  const commands = useCommands();
  const session = useSession();
  const places = session.data?.role === "SUPERVISOR" ? [...PLACES, ...OF_SUPERVISORS] : PLACES;
  const machines = useQuery({ queryKey: keys.machines(), queryFn: () => unwrap(api.GET("/api/machines")) });
  const rows = useQuery({ queryKey: keys.procedures(), queryFn: () => unwrap(api.GET("/api/procedures")) });
  const groups = [...new Set(commands.map((c) => c.group))];
  const actions = [
    ...groups.map((group) => ({
      group,
      actions: commands
        .filter((c) => c.group === group)
        .map((c) => ({ id: c.id, label: c.name, onClick: c.run })),
    })),
    {
      group: say("app.palette.go-to", "Go to"),
      actions: places.map(([label, to]) => ({ id: to, label, onClick: () => navigate(to) })),
    },
    {
      group: say("app.palette.machines", "Machines"),
      actions: (machines.data ?? []).map((m) => ({
        id: `machine-${m.code}`,
        label: `${m.code} ${told(m.name)}`,
        onClick: () => navigate(`/machines/${m.code}`),
      })),
    },
    {
      group: say("app.palette.procedures", "Procedures"),
      actions: (rows.data ?? []).map((r) => ({
        id: `procedure-${r.id}-${r.version}`,
        label: say("app.palette.version", "{0}, version {1}", told(r.title), r.version),
        description: VERSION_STATES[r.state] ?? r.state,
        onClick: () => navigate(`/procedures/${r.id}/${r.version}`),
      })),
    },
  ];
  return (
    <Spotlight
      actions={actions}
      shortcut="."
      overlayProps={{ blur: 0, backgroundOpacity: 0.35 }}
      lockScroll={false}
      limit={12}
      attributes={{
        content: { "aria-label": say("app.palette.search-or-run-a-command", "Search or run a command") },
      }}
      nothingFound={say("app.palette.nothing-by-that-name", "Nothing by that name.")}
      searchProps={{
        placeholder: say("app.palette.search-or-run-a-command-2", "Search or run a command…"),
        "aria-label": say("app.palette.search-or-run-a-command", "Search or run a command"),
      }}
    />
  );
}
