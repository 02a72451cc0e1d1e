import type { ReactNode } from "react";

type Props = { words: string; title?: string; disabled?: boolean; onClick: () => void; children: ReactNode };

/** A button with a picture on it, and words for those who do not see that. */
export const IconButton = ({ words, title, disabled = false, onClick, children }: Props) => (
  <button type="button" className="btn btn-ghost btn-xs btn-square" title={title} disabled={disabled} onClick={onClick}>
    {children}
    <span className="sr-only">{words}</span>
  </button>
);
