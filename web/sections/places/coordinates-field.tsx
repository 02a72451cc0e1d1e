import type { Coordinates } from "../../../core/quantities/coordinates.ts";
import type { LeafName } from "../../fields/leaf-names.ts";
import { leafProblem } from "../../fields/leaf-problem.ts";
import { TypedField } from "../../fields/typed-field.tsx";
import { say } from "../../language/say.ts";

type Props = { label: string; at: Coordinates; leaf: LeafName; onAt: (at: Coordinates) => void };

/** A position as two numbers. */
export function CoordinatesField({ label, at: [latitude, longitude], leaf, onAt }: Props) {
  return (
    <TypedField
      label={label}
      value={`${latitude}, ${longitude}`}
      className="w-full"
      problemOf={(text) => {
        const read = coordinates(text);
        return read ? leafProblem(leaf, read) : say("Write two numbers like 41.1466, -8.6149");
      }}
      onCommit={(text) => {
        const read = coordinates(text);
        if (read) onAt(read);
      }}
    />
  );
}

function coordinates(text: string): [number, number] | null {
  const parts = text
    .split(/[\s,;]+/)
    .filter((part) => part !== "")
    .map(Number);
  const [latitude, longitude] = parts;
  return parts.length !== 2 || latitude === undefined || longitude === undefined ? null : [latitude, longitude];
}
