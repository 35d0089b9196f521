import { Modal } from "@mantine/core";
import { type ReactNode, useEffect, useState } from "react";

type Props = {
  title: string;
  onClose: () => void;
  dark?: boolean;
  middle?: boolean;
  wide?: boolean;
  children: ReactNode;
};

/** Gives the focus back to what opened a dialog when it is gone, or to the page when that is gone too. */
function useFocusGivenBack() {
  const [opener] = useState(() => document.activeElement);
  useEffect(
    () => () => {
      const still = opener instanceof HTMLElement && opener.isConnected && opener !== document.body;
      const back = still ? opener : document.querySelector("main");
      if (back && !still) back.tabIndex = -1;
      back?.focus({ preventScroll: true });
    },
    [opener],
  );
}

/** A dialog that names itself. Escape and the way back in it close it; it writes no style into the page. */
export function Dialog({ title, onClose, dark = false, middle = false, wide = false, children }: Props) {
  useFocusGivenBack();
  return (
    <Modal.Root
      opened
      onClose={onClose}
      centered
      lockScroll={false}
      size={wide ? "70rem" : dark || middle ? "lg" : "md"}
    >
      <Modal.Overlay />
      <Modal.Content className={dark ? "floor-dialog" : undefined}>
        <Modal.Body className="dialog">
          <Modal.Title className="dialog-title">{title}</Modal.Title>
          {children}
        </Modal.Body>
      </Modal.Content>
    </Modal.Root>
  );
}
