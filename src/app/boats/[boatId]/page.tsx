import { redirect } from 'next/navigation';

export default async function Page({ params }: { params: Promise<{ boatId: string }> }) {
  redirect(`/boats/${(await params).boatId}/layup`);
}
