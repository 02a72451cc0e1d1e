import { hash, randomBytes } from "node:crypto";

/** 256 random bits, as text for an address, a header or a cookie. */
export const newSecret = (): string => randomBytes(32).toString("base64url");

/** What is kept of a secret: its SHA-256, which is enough for one that nobody can guess. */
export const hashOf = (secret: string): Buffer => hash("sha256", secret, "buffer");

/** The same in hexadecimal digits. */
export const hexHashOf = (secret: string): string => hash("sha256", secret, "hex");
