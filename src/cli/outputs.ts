import { access, constants, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import { dirname } from 'node:path';

/** Bad input: one readable line, and nothing written. */
export class BadInput extends Error {}

export async function readInput(file: string): Promise<Buffer> {
  try {
    return await readFile(file);
  } catch {
    throw new BadInput(`${file} cannot be read. Check the name`);
  }
}

/** A file's text; a byte-order mark before it is none of it. */
export const readText = async (file: string): Promise<string> => new TextDecoder().decode(await readInput(file));

/** A file to be written. */
export interface Output {
  file: string;
  contents: string | Uint8Array;
}

/** Writes beside the targets and renames, so that each file is whole, and all of them are there or none is. */
export async function writeOutputs(outputs: readonly Output[]): Promise<void> {
  const partOf = (file: string) => `${file}.part`;
  const refused = (file: string) => new BadInput(`${file} cannot be written. Check the folder`);
  const names = outputs.map(({ file }) => file);
  const twice = names.find((name, i) => names.indexOf(name) !== i);
  if (twice !== undefined) throw new BadInput(`${twice} is named for two outputs. Name another file`);
  try {
    for (const { file, contents } of outputs) {
      // A folder of that name, or one that takes no files, is found before anything is in its place.
      const known = await stat(file).catch(() => null);
      if (known?.isDirectory()) throw refused(file);
      await access(dirname(file), constants.W_OK).catch(() => {
        throw refused(file);
      });
      await writeFile(partOf(file), contents).catch(() => {
        throw refused(file);
      });
    }
    for (const { file } of outputs)
      await rename(partOf(file), file).catch(() => {
        throw refused(file);
      });
  } catch (error) {
    await Promise.all(names.map((name) => rm(partOf(name), { force: true })));
    throw error;
  }
}
