import type { Edit } from '../model/edit';

/** Takes what is gone out of cores, from foundations, ceilings, typical floors and held clear widths; those left with nothing go too. */
export function letGo(edit: Edit): void {
  for (const record of [...edit.all()]) {
    if (record.kind === 'core') {
      const members = record.members.filter((id) => edit.has(id));
      if (members.length === 0) edit.remove(record.id);
      else if (members.length < record.members.length) edit.set('core', record.id, { members });
    }
    if (record.kind === 'clearWidth' && !record.walls.every((id) => edit.has(id))) edit.remove(record.id);
    if (record.kind === 'namedView') {
      const { level, part } = record;
      const kept = (id: string | null) => (id !== null && edit.has(id) ? id : null);
      if (kept(level) !== level || kept(part.lowest) !== part.lowest || kept(part.topmost) !== part.topmost)
        edit.set('namedView', record.id, {
          level: kept(level),
          part: { ...part, lowest: kept(part.lowest), topmost: kept(part.topmost) },
        });
    }
    if (record.kind === 'typical') {
      const levels = record.levels.filter((id) => edit.has(id));
      if (levels.length === 0) edit.remove(record.id);
      else if (levels.length < record.levels.length) edit.set('typical', record.id, { levels });
    }
    if (record.kind === 'ceiling' && record.rooms.length > 0) {
      const rooms = record.rooms.filter((id) => edit.has(id));
      // Without rooms it would hang in all of them.
      if (rooms.length === 0) edit.remove(record.id);
      else if (rooms.length < record.rooms.length) edit.set('ceiling', record.id, { rooms });
    }
    if (record.kind === 'foundation' && record.form !== 'raft') {
      const under = record.under.filter((id) => edit.has(id));
      if (under.length === 0) edit.remove(record.id);
      else if (under.length < record.under.length) edit.set('foundation', record.id, { under });
    }
  }
}
