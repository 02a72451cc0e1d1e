import { say } from "../language/say.ts";
import { useSpoken } from "../shell/use-spoken.ts";
import { ByLink } from "./by-link.tsx";
import { ByPassword } from "./by-password.tsx";

/** What a link ends with; any other fragment is of the page that one was going to. */
const IS_TOKEN = /^#([\w-]{43})$/;

/** The page for whoever is not signed in: by a link that was sent, else by name and password. */
export function SignInPage() {
  const isSpoken = useSpoken();
  const token = IS_TOKEN.exec(window.location.hash)?.[1];
  return (
    isSpoken && (
      <div className="min-h-screen bg-base-200 px-4 pt-[12vh] pb-8">
        <main className="mx-auto w-full max-w-md border border-base-300 bg-base-100 p-8">
          <p className="text-[17px] font-bold tracking-tight">{say("Summant")}</p>
          {token === undefined ? <ByPassword /> : <ByLink token={token} />}
        </main>
      </div>
    )
  );
}
