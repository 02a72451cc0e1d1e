// TypeBox's own `Type` brings every builder it has, to every page: these are the ones the core uses.
export type { Static, TObject, TProperties, TSchema } from "@sinclair/typebox";
export * as Type from "./builders.ts";
