import QRCode from 'qrcode';
import { answer, json, storeContext } from '@/server/http';
import { newBadge } from '@/server/stores/people';

/** A new badge; what it carries is told this once, and the one before is void. */
export const POST = (request: Request, { params }: { params: Promise<{ personId: string }> }) =>
  answer(async () => {
    const context = await storeContext(request, 'people');
    const { code } = await newBadge(context, (await params).personId);
    return json({ svg: await QRCode.toString(code, { type: 'svg', errorCorrectionLevel: 'Q' }) }, 201);
  });
