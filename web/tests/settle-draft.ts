import { expect, vi } from "vitest";
import { draftStore } from "../state/use-draft.ts";
import type { Asked } from "./stand-in-server.ts";

/** Leaves the page's draft, which all tests share, with nothing unsaved and no save under way. @param asked what the page asked for */
export async function settleDraft(asked: readonly Asked[]): Promise<void> {
  for (const { path, answer } of asked) if (path === "/api/draft/changes") answer({}, 403);
  await vi.waitFor(() => expect(draftStore.snapshot().save.kind).not.toBe("saving"));
  draftStore.takeBack();
}
