const NAMES = new Intl.DisplayNames(["en"], { type: "language" });

const CODES =
  "ar bg bs ca cs cy da de el en es et eu fa fi fr ga gl he hi hr hu id is it ja ko lt lv mk mt nb nl pl pt ro ru sk sl sq sr sv tr uk ur vi zh";

/** Languages that letters can be written in, to be chosen from. */
export const LANGUAGES = CODES.split(" ")
  .map((value) => ({ value, label: NAMES.of(value) ?? value }))
  .sort((a, b) => a.label.localeCompare(b.label));
