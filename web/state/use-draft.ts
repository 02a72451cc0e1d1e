import { useSyncExternalStore } from "react";
import { DraftStore } from "./draft-store.ts";

export const draftStore = new DraftStore();

export const useDraft = () => useSyncExternalStore(draftStore.subscribe, draftStore.snapshot);
