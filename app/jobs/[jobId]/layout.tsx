import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import { database, jobById, jobFile, unitById } from '@/data';
import { chosenSystem } from '../../_parts/units';
import { DeskProvider } from '../_desk';
import { JobHead } from './_parts/job-head';

export const dynamic = 'force-dynamic';

export async function generateMetadata({ params }: { params: Promise<{ jobId: string }> }) {
  const job = jobById(database(), (await params).jobId);
  const unit = job && unitById(database(), job.unitId);
  return {
    title: unit ? { default: `${unit.tag} ${job.title}`, template: `%s · ${unit.tag}` } : 'No such job',
  };
}

export default async function JobLayout({
  children,
  params,
}: {
  children: ReactNode;
  params: Promise<{ jobId: string }>;
}) {
  const file = jobFile(database(), (await params).jobId);
  if (!file) notFound();
  return (
    <DeskProvider initial={file} madeAt={new Date().toISOString()} initialSystem={await chosenSystem()}>
      <JobHead />
      {children}
    </DeskProvider>
  );
}
