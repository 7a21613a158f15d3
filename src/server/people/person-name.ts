import { textFault, textSchema } from '@/core/model/fields';

/** A person's name as it stands in histories and lists: nothing in it that cannot be seen. */
export const personName = textSchema(80).superRefine((name, context) => {
  const fault = textFault(name);
  if (fault) context.addIssue({ code: 'custom', message: fault });
});
