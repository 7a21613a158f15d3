import { presetFileSchema, type Preset } from '@/core/grids/preset';
import { done, refuse, type Result } from '@/core/model/result';

const NO_PRESETS = 'This is no file of bay presets. Choose one that was downloaded here';

/** Reads a file of bay presets. */
export function readPresets(text: string): Result<Preset[]> {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return refuse(NO_PRESETS);
  }
  const parsed = presetFileSchema.safeParse(json);
  if (parsed.success) return done(parsed.data.presets);
  const [issue] = parsed.error.issues;
  const [first, which] = issue!.path;
  if (first === 'presets' && typeof which === 'number')
    return refuse(`Preset ${which + 1} of the file is damaged. Choose a file that was downloaded here`);
  return refuse(first === undefined || first === 'presets' ? NO_PRESETS : issue!.message);
}
