import { useState } from "react";
import type { DeliveryOption } from "../../../core/delivery/option.ts";
import { LARGEST_PICTURE, type Picture, type PictureType } from "../../../core/delivery/picture.ts";
import { FileField } from "../../fields/file-field.tsx";
import { TextsTable } from "../../fields/texts-table.tsx";
import { say } from "../../language/say.ts";
import { setOptional } from "../../state/set-optional.ts";

type Props = {
  picture: DeliveryOption["picture"];
  languages: readonly string[];
  onPicture: (picture: Picture | undefined) => void;
};

/** A small picture beside an option's note. Larger ones are made to fit. */
export function PictureField({ picture, languages, onPicture }: Props) {
  const [problem, setProblem] = useState<string | null>(null);
  const read = async (file: File) => {
    const found = await fitted(file).catch(() => null);
    setProblem(found ? null : say("{name} is no picture that this browser can read.", { name: file.name }));
    if (found) onPicture({ ...found, ...(picture?.alt ? { alt: picture.alt } : {}) });
  };
  return (
    <div className="mt-2 grid gap-2 text-[13px]">
      <div className="flex flex-wrap items-center gap-3">
        {picture && (
          <img
            className="max-h-10 w-auto border border-base-300 bg-white"
            src={`data:${picture.type};base64,${picture.data}`}
            width={picture.width}
            height={picture.height}
            alt={Object.values(picture.alt ?? {})[0] ?? say("The picture beside the note")}
          />
        )}
        <FileField
          label={picture ? say("Another picture") : say("A small picture beside it")}
          accept="image/png,image/jpeg,image/webp"
          onFile={(file) => void read(file)}
        />
        {picture && (
          <button type="button" className="btn btn-ghost btn-sm" onClick={() => onPicture(undefined)}>
            {say("Remove the picture")}
          </button>
        )}
      </div>
      {problem && (
        <p role="alert" className="text-warning">
          {problem}
        </p>
      )}
      {picture && (
        <TextsTable
          languages={languages}
          columns={[
            {
              label: say("Said instead of the picture; empty where it is an ornament"),
              texts: picture.alt,
              leaf: "option/picture/alt/*",
              onTexts: (alt) => onPicture(setOptional(picture, "alt", alt)),
            },
          ]}
        />
      )}
    </div>
  );
}

/** As large as it is shown on screens of twice the usual density. */
const LARGEST = { width: 480, height: 160 };
/** From the best on: the first that is small enough is taken. */
const WAYS: readonly { type: PictureType; quality?: number; scale: number }[] = [
  { type: "image/png", scale: 1 },
  { type: "image/webp", quality: 0.85, scale: 1 },
  { type: "image/webp", quality: 0.7, scale: 0.5 },
  { type: "image/webp", quality: 0.5, scale: 0.25 },
];

/** Drawn anew, so that nothing goes along but what is seen. @throws where it is no picture */
async function fitted(file: File): Promise<Picture> {
  const bitmap = await createImageBitmap(file);
  const largest = Math.min(1, LARGEST.width / bitmap.width, LARGEST.height / bitmap.height);
  for (const { type, quality, scale } of WAYS) {
    const side = (length: number) => Math.max(1, Math.round(length * largest * scale));
    const canvas = new OffscreenCanvas(side(bitmap.width), side(bitmap.height));
    canvas.getContext("2d")?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
    const blob = await canvas.convertToBlob({ type, ...(quality === undefined ? {} : { quality }) });
    if (blob.type !== type || blob.size > LARGEST_PICTURE) continue;
    return { type, data: await base64Of(blob), width: canvas.width, height: canvas.height };
  }
  throw new RangeError("does not fit");
}

async function base64Of(blob: Blob): Promise<string> {
  const bytes = new Uint8Array(await blob.arrayBuffer());
  return btoa(Array.from(bytes, (byte) => String.fromCharCode(byte)).join(""));
}
