import { useId } from "react";

type Props = {
  label: string;
  value: string;
  onChange: (value: string) => void;
  /** What the browser may fill in, by HTML's names. */
  fills: "username" | "current-password" | "new-password" | "one-time-code" | "off";
  /** What is wrong with it, as the server says. */
  problem?: string | undefined;
  /** Under it, before anything is wrong. */
  hint?: string;
};

const TYPES = { "current-password": "password", "new-password": "password" } as const;

/** A field of a form that is sent as a whole: a password, a code, a name. */
export function FormField({ label, value, onChange, fills, problem, hint }: Props) {
  const id = useId();
  return (
    <div className="grid min-w-0 grid-cols-[minmax(0,auto)] gap-0.5 text-[13px] text-quiet">
      <label htmlFor={id}>{label}</label>
      <input
        id={id}
        type={fills in TYPES ? "password" : "text"}
        className={`input input-sm w-72 max-w-full text-base-content ${problem ? "input-error" : ""}`}
        value={value}
        autoComplete={fills}
        inputMode={fills === "one-time-code" ? "numeric" : undefined}
        required
        maxLength={1000}
        aria-invalid={problem !== undefined}
        aria-describedby={problem || hint ? `${id}-said` : undefined}
        onChange={(event) => onChange(event.target.value)}
      />
      {(problem || hint) && (
        <span id={`${id}-said`} role={problem ? "alert" : undefined} className={problem ? "text-warning" : ""}>
          {problem ?? hint}
        </span>
      )}
    </div>
  );
}
