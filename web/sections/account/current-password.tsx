import { FormField } from "../../fields/form-field.tsx";
import { say } from "../../language/say.ts";
import { problemAt } from "../../state/use-account-change.ts";

type Props = { value: string; onChange: (value: string) => void; error: Error | null };

/** Whoever changes what they sign in with says once more that it is them. */
export const CurrentPassword = ({ value, onChange, error }: Props) => (
  <FormField
    label={say("Your password now")}
    value={value}
    onChange={onChange}
    fills="current-password"
    problem={problemAt(error, "current")}
  />
);
