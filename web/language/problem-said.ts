import type { Problem } from "../../core/schema/problem.ts";
import { say } from "./say.ts";

/** Where it is and what is wrong, in one line. @example "/at is missing" */
export const problemSaid = ({ path, message, place }: Problem): string =>
  `${place ? say(place) : path} ${say(message)}`.trim();
