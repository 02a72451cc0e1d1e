import { say } from "../language/say.ts";

/** The session has ended: what is not saved waits in this browser until somebody signs in again. */
export const SignedOutBar = () => (
  <p role="alert" className="alert alert-warning mb-4">
    {say("You are signed out. What you changed and is not saved yet is kept in this browser.")}
    <a
      className="btn btn-sm"
      href={`/sign-in?to=${encodeURIComponent(window.location.pathname + window.location.hash)}`}
    >
      {say("Sign in again")}
    </a>
  </p>
);
