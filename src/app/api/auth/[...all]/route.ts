import { guarded } from '@/server/entry/entry';
import { signInOrOut } from '@/server/people/sign-in';

/** Sign-in, sign-up and sign-out, answered by the sign-in library. */
export const GET = guarded('GET /api/auth/[...all]', signInOrOut);
export const POST = guarded('POST /api/auth/[...all]', signInOrOut);
