/** Files that systems put into folders by themselves. */
const NOT_PAPERS = new Set(["thumbs.db", "desktop.ini"]);

function isPaper(file: File): boolean {
  return !file.name.startsWith(".") && !NOT_PAPERS.has(file.name.toLowerCase());
}

/** All files of a folder chosen in the file dialog, without what the system itself put there. */
export function papersOf(list: FileList | null): File[] {
  return [...(list ?? [])].filter(isPaper);
}

/** All files that were dropped, and those in dropped folders, however deep; in the order of their paths. */
export async function droppedFiles(data: DataTransfer): Promise<File[]> {
  const entries = [...(data.items ?? [])].map((item) => item.webkitGetAsEntry?.()).filter((e) => e != null);
  if (!entries.some((e) => e.isDirectory)) {
    return papersOf(data.files);
  }
  const found = await Promise.all(entries.map(filesIn));
  return found.flat().filter(isPaper);
}

async function filesIn(entry: FileSystemEntry): Promise<File[]> {
  if (entry.isFile) {
    return [await new Promise<File>((done, failed) => (entry as FileSystemFileEntry).file(done, failed))];
  }
  const reader = (entry as FileSystemDirectoryEntry).createReader();
  const inside: FileSystemEntry[] = [];
  // a reader answers in portions, and with none at the end
  for (;;) {
    const some = await new Promise<FileSystemEntry[]>((done, failed) => reader.readEntries(done, failed));
    if (some.length === 0) {
      break;
    }
    inside.push(...some);
  }
  inside.sort((a, b) => a.name.localeCompare(b.name, undefined, { numeric: true }));
  return (await Promise.all(inside.map(filesIn))).flat();
}
