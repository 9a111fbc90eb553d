import type { Generated } from 'kysely';

/** One thing that a boat holds: an entry of a list, or what it has one of (`list` is then 'single'). */
export interface ItemRow {
  boat_id: string;
  list: string;
  id: string;
  /** The part a zone or layer belongs to; empty for what belongs to the boat itself. */
  parent_id: string;
  position: number;
  body_json: string;
}

/** Table rows; columns ending in `_json` hold value objects, everything else is relational. */
export interface Database {
  boat: {
    id: string;
    name: string;
    /** Version of the document its rows were written in. */
    document_version: number;
    variant_of: string | null;
    /** The parent as the variant last saw it. */
    parent_json: string | null;
    parent_version: number | null;
    archived: number;
    version: number;
    created_at: string;
    updated_at: string;
  };
  boat_item: ItemRow;
  /** A boat as it stood at the end of a day, where its single edits have been folded away. */
  boat_day: { boat_id: string; day: string; version: number; document: string };
  pack: { id: string; kind: string; body_json: string; updated_at: string };
  edit: {
    id: Generated<number>;
    boat_id: string;
    version: number;
    client_id: string;
    action: 'do' | 'undo' | 'redo';
    description: string;
    forward_json: string;
    inverse_json: string;
    author: string;
    at: string;
  };
  revision: {
    id: string;
    boat_id: string;
    number: number;
    label: string;
    hash: string;
    author: string;
    note: string;
    issued_at: string;
    snapshot: string;
    /** What it came to when it was issued, with which engine, and its print; null before revisions kept them. */
    results_json: string | null;
    engine: string | null;
    print: Uint8Array | null;
  };
  revision_event: {
    id: string;
    boat_id: string;
    label: string;
    kind: 'floor' | 'withdrawn';
    author: string;
    note: string;
    at: string;
  };
  change_request: {
    id: string;
    boat_id: string;
    against: string;
    version: number;
    reason: string;
    changes_json: string;
    asked_by: string;
    asked_at: string;
    state: 'open' | 'approved' | 'refused' | 'issued';
    decided_by: string | null;
    decided_at: string | null;
    decision: string | null;
  };
  /** What the yard lays with a process, where it has said so. */
  habit: { process: string; version: number; body_json: string; author: string; at: string };
  /** Readings of an existing part, zone by zone, with the picture that they stand on (a data URL). */
  survey: {
    boat_id: string;
    zone_id: string;
    version: number;
    body_json: string;
    picture: string | null;
    author: string;
    at: string;
  };
  /** What stood on the scales: append-only, known by the id that whoever weighed gave. */
  weigh_in: {
    boat_id: string;
    id: string;
    corrects: string | null;
    body_json: string;
    author: string;
    at: string;
  };
  /** What happened in the yard that belongs to no boat: append-only, likewise. */
  yard_fact: {
    seq: Generated<number>;
    id: string;
    kind: string;
    corrects: string | null;
    body_json: string;
    author: string;
    at: string;
  };
  /** What an instrument read over hours, and its readings packed in chunks; ms since 1970. */
  trace: {
    id: string;
    build_id: string | null;
    part: string;
    channel: string;
    quantity: string;
    name: string;
    author: string;
    begun_at: string;
    ended_at: string | null;
  };
  trace_chunk: {
    trace_id: string;
    from_ms: number;
    to_ms: number;
    count: number;
    least: number;
    most: number;
    body: Uint8Array;
  };
  /** How tight a bag was: append-only, likewise. */
  drop_test: {
    boat_id: string;
    id: string;
    corrects: string | null;
    body_json: string;
    author: string;
    at: string;
  };
  /** What lies in the store: a roll, sheets, an offcut, a can, of one delivery. */
  stock_lot: { id: string; material: string; body_json: string; author: string; at: string };
  /** The pieces of one hull, frozen from an issued revision. */
  kit: {
    id: string;
    boat_id: string;
    revision: string;
    hull: string;
    taken_from: string | null;
    body_json: string;
    author: string;
    at: string;
  };
  /** What came of a lot or went: append-only, known by the id that whoever moved it gave. */
  stock_move: {
    id: string;
    lot_id: string;
    amount: number;
    reason: string;
    author: string;
    at: string;
    kit_id: string | null;
  };
  /** What the yard works and buys by, where it has said so. */
  yard_setting: { name: string; version: number; body_json: string; author: string; at: string };
  /** How a supplier's list or a table of offsets with these heads was read the last time. */
  remembered_table: { purpose: string; signature: string; body_json: string; author: string; used_at: string };
  /** A boat that the yard kept to begin others from. */
  template: {
    id: string;
    name: string;
    note: string;
    document_version: number;
    document: string;
    author: string;
    created_at: string;
  };
  shelf_material: { id: string; kind: string; name: string; body_json: string; updated_at: string };
  /** An account; whoever has left stays, for what is on record. */
  person: {
    id: string;
    name: string;
    login: string;
    roles_json: string;
    password_hash: string;
    pin_hash: string | null;
    badge_hash: string | null;
    gone: number;
    created_at: string;
  };
  /** Who is signed in, until when, and on which tablet. */
  session: { id: string; person_id: string; tablet_id: string | null; at: string; ends_at: string };
  /** A tablet that may change person by PIN or badge. */
  tablet: { id: string; name: string; author: string; at: string; withdrawn_at: string | null };
  /** A surveyor's look at one revision, by whoever holds the link. */
  reader_link: {
    id: string;
    secret_hash: string;
    boat_id: string;
    label: string;
    reader: string;
    author: string;
    at: string;
    ends_at: string;
    withdrawn_at: string | null;
    seen: number;
  };
  /** One hull number, made from an issued revision, with everything that it is built by. */
  build: {
    id: string;
    boat_id: string;
    label: string;
    hull: string;
    plan_json: string;
    author: string;
    at: string;
    closed_at: string | null;
  };
  build_amendment: {
    id: string;
    build_id: string;
    from_label: string;
    to_label: string;
    reason: string;
    changes_json: string;
    /** What it was built by until then. */
    plan_json: string;
    author: string;
    at: string;
  };
  /** A fact of a build: append-only, known by the id that its device gave, in the order in which it arrived. */
  build_record: {
    seq: Generated<number>;
    id: string;
    build_id: string;
    kind: string;
    person: string;
    device: string;
    at: string;
    received_at: string;
    corrects: string | null;
    body_json: string;
  };
}
