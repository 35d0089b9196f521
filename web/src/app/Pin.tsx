import { PasswordInput } from "@mantine/core";

/** Where a person signs with their PIN: digits, never remembered by the browser. */
export function Pin({ value, onChange }: { value: string; onChange: (pin: string) => void }) {
  return (
    <PasswordInput
      label="PIN"
      inputMode="numeric"
      autoComplete="off"
      value={value}
      onChange={(e) => onChange(e.currentTarget.value)}
    />
  );
}
