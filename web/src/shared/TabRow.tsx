import type { KeyboardEvent } from "react";

export type Tab = { id: string; name: string; disabled?: boolean };
type Props = { tabs: Tab[]; shown: string; onShow: (id: string) => void; className: string; label: string };

const WAYS: Record<string, (at: number, last: number) => number> = {
  ArrowRight: (at, last) => (at === last ? 0 : at + 1),
  ArrowLeft: (at, last) => (at === 0 ? last : at - 1),
  Home: () => 0,
  End: (_, last) => last,
};

/** Tabs in a row: one stop of the tab key, the arrow keys walk from one to the next and show it. */
export function TabRow({ tabs, shown, onShow, className, label }: Props) {
  const open = tabs.filter((t) => !t.disabled);
  function onKey(e: KeyboardEvent<HTMLDivElement>) {
    const way = WAYS[e.key];
    const to =
      way &&
      open[
        way(
          open.findIndex((t) => t.id === shown),
          open.length - 1,
        )
      ];
    if (to) {
      e.preventDefault();
      onShow(to.id);
      e.currentTarget.querySelector<HTMLElement>(`[data-tab="${to.id}"]`)?.focus();
    }
  }
  return (
    <div className={className} role="tablist" aria-label={label} onKeyDown={onKey}>
      {tabs.map((t) => (
        <button
          key={t.id}
          type="button"
          role="tab"
          data-tab={t.id}
          aria-selected={t.id === shown}
          tabIndex={t.id === shown ? 0 : -1}
          disabled={t.disabled}
          onClick={() => onShow(t.id)}
        >
          {t.name}
        </button>
      ))}
    </div>
  );
}
