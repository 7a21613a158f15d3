import Link from 'next/link';

/** Nothing here, or nothing for this person. */
export default function NotFound() {
  return (
    <main className="grid h-full place-items-center">
      <p className="text-center">
        There is no such project, or you are not a member of it.
        <br />
        <Link className="font-semibold text-now underline" href="/">
          Back to the projects
        </Link>
      </p>
    </main>
  );
}
