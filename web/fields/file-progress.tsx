import { say } from "../language/say.ts";

type Props = {
  label: string;
  /** How far it is, of how much; without it nobody knows. */
  done: number | undefined;
  of: number;
  words: string;
  onStop: () => void;
};

/** A file that is being read or taken, how far that is, and a way to stop it. */
export const FileProgress = ({ label, done, of, words, onStop }: Props) => (
  <p className="mt-2 flex items-center gap-3">
    <progress className="progress progress-primary w-60" aria-label={label} value={done} max={of} />
    {words}
    <button type="button" className="btn btn-xs" onClick={onStop}>
      {say("Stop")}
    </button>
  </p>
);
