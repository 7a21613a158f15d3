import { auth } from '@/server/auth';

/** Sign-in, sign-up and sign-out, answered by the sign-in library. */
export const GET = (request: Request) => auth().handler(request);
export const POST = (request: Request) => auth().handler(request);
