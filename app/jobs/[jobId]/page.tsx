import { redirect } from 'next/navigation';

export default async function Job({ params }: { params: Promise<{ jobId: string }> }) {
  redirect(`/jobs/${(await params).jobId}/answers`);
}
