import type { Charge } from "./charge.ts";
import type { ChargeContext, CompiledCharge } from "./definition.ts";
import type { AnyCharge } from "./reference.ts";
import { chargeKind } from "./registry.ts";

/** Compiles a charge, and those within it, for one zone and currency. */
export function compileCharge(charge: Charge, context: Omit<ChargeContext, "compileCharge">): CompiledCharge {
  const whole: ChargeContext = { ...context, compileCharge: (inner) => compile(inner) };
  const compile = (one: AnyCharge): CompiledCharge => chargeKind(one).compile(one, whole);
  return compile(charge);
}
