type Props = {
  /** The choice that it belongs to. */
  name: string;
  label: string;
  checked: boolean;
  onChoose: () => void;
};

/** One of a few ways that exclude each other, each with words of its own. */
export const RadioField = ({ name, label, checked, onChoose }: Props) => (
  <label className="flex items-center gap-2">
    <input type="radio" className="radio radio-xs" name={name} checked={checked} onChange={onChoose} />
    {label}
  </label>
);
