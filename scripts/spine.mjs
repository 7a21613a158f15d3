import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { bundledCommand } from './bundled-command.mjs';

const folder = await bundledCommand();
process.env.SPINE_PROGRAMS = folder;
await import(pathToFileURL(join(folder, 'main.mjs')).href);
