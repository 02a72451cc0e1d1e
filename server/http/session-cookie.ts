/** Only this host, only by HTTPS (browsers take their own machine for as safe), and for no script. */
const NAME = "__Host-summant";
const SHAPE = "Path=/; Secure; HttpOnly; SameSite=Lax";

/** The session's secret in a header of cookies; undefined when there is none. */
export function cookieOf(header: string | undefined): string | undefined {
  for (const part of (header ?? "").split(";")) {
    const [name, value] = part.trim().split("=", 2);
    if (name === NAME && value) return value;
  }
  return undefined;
}

export const setCookie = (secret: string): string => `${NAME}=${secret}; ${SHAPE}`;

export const dropCookie = (): string => `${NAME}=; ${SHAPE}; Max-Age=0`;
