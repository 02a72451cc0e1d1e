import ArrowDown from "lucide-react/icons/arrow-down";
import ArrowUp from "lucide-react/icons/arrow-up";
import { say } from "../language/say.ts";
import { IconButton } from "./icon-button.tsx";

export type Order = {
  /** Its place among the others, counted from 0, and how many they are. */
  readonly place: number;
  readonly of: number;
  readonly onMove: (to: number) => void;
};

type Props = Order & {
  /** What is moved, as it is called. */
  name: string;
};

/** One place up or down among others of its kind. */
export const OrderButtons = ({ name, place, of, onMove }: Props) => (
  <>
    <IconButton words={say("Move {name} up", { name })} disabled={place <= 0} onClick={() => onMove(place - 1)}>
      <ArrowUp size={14} aria-hidden />
    </IconButton>
    <IconButton words={say("Move {name} down", { name })} disabled={place >= of - 1} onClick={() => onMove(place + 1)}>
      <ArrowDown size={14} aria-hidden />
    </IconButton>
  </>
);
