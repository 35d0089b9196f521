import { PasswordInput } from "@mantine/core";

type Props = { value: string; onChange: (pin: string) => void; label?: string };

/** Where a person signs with their PIN: digits, never remembered by the browser. */
export function Pin({ value, onChange, label = "PIN" }: Props) {
  return (
    <PasswordInput
      label={label}
      inputMode="numeric"
      autoComplete="off"
      value={value}
      onChange={(e) => onChange(e.currentTarget.value)}
    />
  );
}
