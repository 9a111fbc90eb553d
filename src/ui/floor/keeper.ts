import type { Build, BuildAmendment, BuildPlan, BuildRecord, DatedLot, LessonTold } from '@/core/build';
import type { Shop } from '@/core/shop';

/** A build as the tablet has it. */
export interface FloorBuild extends Build {
  plan: BuildPlan;
  amendments: (BuildAmendment & { changes: { part: string; says: string; late: boolean }[] })[];
  closedAt: string | null;
  /** Learned on any hull; who may do which work; lots of the store that have a day. */
  lessons: LessonTold[];
  work: Shop['work'];
  dated: DatedLot[];
}
/** A record on this device: whether the server has it, or why it never will. */
export interface KeptRecord {
  buildId: string;
  record: BuildRecord;
  sent: boolean;
  refusal: string | null;
}
/** A photograph that the server does not have yet. */
export interface KeptPhoto {
  id: string;
  buildId: string;
  bytes: Blob;
}
/** What shows who recorded something while the server was away, and lets them change over without it. */
export interface KeptPass {
  name: string;
  id: string;
  pass: string;
  endsAt: string;
  /** PBKDF2 of the PIN, base64; null where they came in by badge or password. */
  verifier: { salt: string; hash: string } | null;
}

/** Where a device keeps what it knows and what it has not sent. Everything that was awaited survives a reload. */
export interface Keeper {
  read(buildId: string): Promise<{ build: FloorBuild | null; records: KeptRecord[]; seq: number }>;
  keepBuild(build: FloorBuild): Promise<void>;
  /** A record made here; the same id again changes nothing. */
  add(buildId: string, record: BuildRecord): Promise<void>;
  /** What the server said of records that were sent. */
  mark(answers: readonly { id: string; refusal: string | null }[]): Promise<void>;
  /** Send a refused one again. */
  retry(id: string): Promise<void>;
  /** Records that the server has, up to a place in its order. */
  learn(buildId: string, records: readonly BuildRecord[], seq: number): Promise<void>;
  photos(buildId: string): Promise<KeptPhoto[]>;
  addPhoto(photo: KeptPhoto): Promise<void>;
  dropPhoto(id: string): Promise<void>;
  passes(): Promise<KeptPass[]>;
  keepPass(pass: KeptPass): Promise<void>;
}
