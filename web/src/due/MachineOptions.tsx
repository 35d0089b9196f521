/** The machines of the site, to choose from. */
export function MachineOptions({ machines }: { machines: string[] }) {
  return machines.map((m) => (
    <option key={m} value={m}>
      {m}
    </option>
  ));
}
