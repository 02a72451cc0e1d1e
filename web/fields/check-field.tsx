import type { ReactNode } from "react";

type Props = {
  label: ReactNode;
  checked: boolean;
  onCommit: (checked: boolean) => void;
  disabled?: boolean;
  className?: string;
};

/** Something that is so or is not. */
export const CheckField = ({ label, checked, onCommit, disabled = false, className = "" }: Props) => (
  <label className={`flex items-center gap-1.5 ${className}`}>
    <input
      type="checkbox"
      className="checkbox checkbox-xs"
      checked={checked}
      disabled={disabled}
      onChange={(event) => onCommit(event.target.checked)}
    />
    {label}
  </label>
);
