/** A picture or file that is to be sent, with how it was turned and trimmed. */
export type Piece = {
  key: string;
  file: File;
  /** Address of its preview in this browser; undefined when it is no picture that can be shown. */
  url?: string;
  /** By how many degrees clockwise: 0, 90, 180 or 270. */
  turn: number;
  /** What is cut away of the turned picture on each side, in percent. */
  trim: { top: number; right: number; bottom: number; left: number };
  /** Whether a new paper begins with it. */
  begins: boolean;
};

export const UNTRIMMED = { top: 0, right: 0, bottom: 0, left: 0 };

/** The most that are taken at once. */
export const MOST_PIECES = 60;

/** Whether this browser can turn and trim it. */
export function isPicture(file: File): boolean {
  return file.type === "image/jpeg" || file.type === "image/png";
}

let made = 0;

/** Chosen files as pieces: pictures that come together are pages of one paper, everything else is a paper of its own. */
export function piecesOf(files: File[], before: Piece[]): Piece[] {
  const pieces = [...before];
  for (const file of files) {
    const previous = pieces.at(-1);
    pieces.push({
      key: `piece-${made++}`,
      file,
      url: isPicture(file) ? URL.createObjectURL(file) : undefined,
      turn: 0,
      trim: UNTRIMMED,
      begins: !previous || !isPicture(file) || !isPicture(previous.file),
    });
  }
  return pieces;
}

/** The papers they make, each as the pieces that are its pages. */
export function papersOf(pieces: Piece[]): Piece[][] {
  const papers: Piece[][] = [];
  pieces.forEach((piece, i) => {
    if (i === 0 || piece.begins) {
      papers.push([piece]);
    } else {
      papers.at(-1)?.push(piece);
    }
  });
  return papers;
}

/** The same without one of them; what followed it begins a paper when it did. */
export function without(pieces: Piece[], key: string): Piece[] {
  const at = pieces.findIndex((p) => p.key === key);
  const gone = pieces[at];
  return pieces
    .map((p, i) => (i === at + 1 && gone?.begins ? { ...p, begins: true } : p))
    .filter((p) => p.key !== key);
}

/** The bytes to be sent: as they are, or the turned and trimmed picture as JPEG. @throws Error when it cannot be drawn */
export async function bytesOf(piece: Piece): Promise<File> {
  const { top, right, bottom, left } = piece.trim;
  if (piece.turn === 0 && top + right + bottom + left === 0) {
    return piece.file;
  }
  const picture = await createImageBitmap(piece.file);
  const lies = piece.turn % 180 !== 0;
  const width = lies ? picture.height : picture.width;
  const height = lies ? picture.width : picture.height;
  const canvas = document.createElement("canvas");
  canvas.width = Math.max(1, Math.round((width * (100 - left - right)) / 100));
  canvas.height = Math.max(1, Math.round((height * (100 - top - bottom)) / 100));
  const out = canvas.getContext("2d");
  if (!out) {
    throw new Error("This browser cannot turn pictures. Send it as it is.");
  }
  out.translate(-(width * left) / 100, -(height * top) / 100);
  out.translate(width / 2, height / 2);
  out.rotate((piece.turn * Math.PI) / 180);
  out.drawImage(picture, -picture.width / 2, -picture.height / 2);
  picture.close();
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, "image/jpeg", 0.92));
  if (!blob) {
    throw new Error("This browser cannot turn this picture. Send it as it is.");
  }
  return new File([blob], `${piece.file.name.replace(/\.\w+$/, "")}.jpg`, { type: "image/jpeg" });
}
