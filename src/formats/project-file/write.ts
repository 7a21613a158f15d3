import { createHash } from 'node:crypto';
import { Zip, ZipDeflate, ZipPassThrough } from 'fflate';
import type { KeptView } from '@/core/views/named-view';
import { ENTRIES, type AboutProject, type LogRow } from './project-file';

/** Writes a project's file piece by piece, so that it is never whole in memory. Each piece is given on as it is made. */
export class ProjectFileWriter {
  private readonly zip: Zip;
  private log: ZipDeflate | null = null;
  private readonly logHash = createHash('sha256');

  constructor(give: (piece: Uint8Array) => void) {
    this.zip = new Zip((error, piece) => {
      if (error) throw error;
      give(piece);
    });
  }

  about(about: AboutProject): void {
    this.text(ENTRIES.about, JSON.stringify(about, null, 2));
  }

  views(views: readonly KeptView[]): void {
    this.text(ENTRIES.views, JSON.stringify(views));
  }

  /** Changes in their order; nothing else may come between the first and {@link endLog}. */
  rows(rows: readonly LogRow[]): void {
    this.log ??= this.packed(ENTRIES.log);
    const lines = Buffer.from(rows.map((row) => `${JSON.stringify(row)}\n`).join(''));
    this.logHash.update(lines);
    this.log.push(lines);
  }

  /** Ends the log; answers its SHA-256, in hex. */
  endLog(): string {
    this.log ??= this.packed(ENTRIES.log);
    this.log.push(new Uint8Array(), true);
    return this.logHash.digest('hex');
  }

  file(sha256: string, bytes: Uint8Array): void {
    // Pictures and drawings as they are: most are packed already.
    const entry = new ZipPassThrough(`${ENTRIES.files}${sha256}`);
    this.zip.add(entry);
    entry.push(bytes, true);
  }

  end(): void {
    this.zip.end();
  }

  private text(name: string, text: string): void {
    this.packed(name).push(Buffer.from(text), true);
  }

  private packed(name: string): ZipDeflate {
    const entry = new ZipDeflate(name, { level: 6 });
    this.zip.add(entry);
    return entry;
  }
}
