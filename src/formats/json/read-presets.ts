import { presetFileSchema, type Preset } from '@/core/grids/preset';
import { inputRefusal } from '@/core/model/command';
import { done, refuse, type Result } from '@/core/model/result';

/** Reads a file of bay presets. */
export function readPresets(text: string): Result<Preset[]> {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return refuse('This is no file of bay presets. Choose one that was downloaded here');
  }
  const parsed = presetFileSchema.safeParse(json);
  if (!parsed.success) return refuse(inputRefusal(parsed.error).message);
  return done(parsed.data.presets);
}
