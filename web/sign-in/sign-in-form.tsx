import type { ReactNode } from "react";

type Props = {
  label: string;
  heading: string;
  problem: string | null;
  /** What the button says; none where there is nothing to send. */
  words: string | null;
  isBusy: boolean;
  onSend: () => Promise<void>;
  children: ReactNode;
  /** Another way in. */
  otherwise: ReactNode;
};

/** What one signs in by: its fields, what was wrong with them, and the button. */
export const SignInForm = ({ label, heading, problem, words, isBusy, onSend, children, otherwise }: Props) => (
  <form
    aria-label={label}
    className="mt-5 grid gap-4"
    onSubmit={(event) => {
      event.preventDefault();
      void onSend();
    }}
  >
    <h1 className="text-[20px] font-bold">{heading}</h1>
    {children}
    {problem && (
      <p role="alert" className="text-warning">
        {problem}
      </p>
    )}
    {words !== null && (
      <div>
        <button type="submit" className="btn btn-neutral" disabled={isBusy}>
          {words}
        </button>
      </div>
    )}
    <p className="text-[13px] text-quiet">{otherwise}</p>
  </form>
);
