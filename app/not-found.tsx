import { Link } from '@/app/_parts/link';

export default function NotFound() {
  return (
    <main className="mx-auto max-w-xl px-5 pt-24">
      <h1 className="text-4xl font-bold">Nothing under this address</h1>
      <p className="py-4 text-xl">
        The job may belong to another shop’s database. Nothing was lost: everything kept is listed in the
        yard.
      </p>
      <Link href="/" className="solid">
        To the yard
      </Link>
    </main>
  );
}
