type Props<Name extends string> = {
  label: string;
  value: Name;
  /** The choices with their words, in order. */
  choices: Readonly<Record<Name, string>>;
  onCommit: (name: Name) => void;
  hideLabel?: boolean;
  className?: string;
};

/** One of a few named choices. */
export function SelectField<Name extends string>({
  label,
  value,
  choices,
  onCommit,
  hideLabel = false,
  className = "w-auto",
}: Props<Name>) {
  const isName = (text: string): text is Name => Object.hasOwn(choices, text);
  const names = Object.keys(choices).filter(isName);
  return (
    <label className="inline-grid gap-0.5 text-[13px] text-quiet">
      <span className={hideLabel ? "sr-only" : ""}>{label}</span>
      <select
        className={`select select-sm text-base-content ${className}`}
        value={value}
        onChange={(event) => {
          if (isName(event.target.value)) onCommit(event.target.value);
        }}
      >
        {names.map((name) => (
          <option key={name} value={name}>
            {choices[name]}
          </option>
        ))}
      </select>
    </label>
  );
}
