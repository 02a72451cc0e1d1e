import { say } from "../language/say.ts";
import { errorWords } from "../state/api.ts";

/** That something could not be read from the server, and why; nothing while it could. */
export const NotLoaded = ({ error }: { error: Error | null }) =>
  error && (
    <p role="alert" className="text-warning">
      {say("It could not be loaded: {problem}.", { problem: errorWords(error) })}
    </p>
  );
