import { sql, type Migration } from 'kysely';
import { takeOverBoats } from './takeOverBoats';

/** Schema changes in order; a released one is never altered. */
export const MIGRATIONS: Record<string, Migration> = {
  '0001_first_storey': {
    async up(db) {
      const statements = [
        sql`create table boat (id text primary key, name text not null, brief_json text not null,
            variant_of text references boat(id) on delete set null,
            archived integer not null default 0, version integer not null default 1, created_at text not null,
            updated_at text not null) strict`,
        sql`create table boat_material (boat_id text not null references boat(id) on delete cascade, id text not null,
            position integer not null, kind text not null,
            body_json text not null, primary key (boat_id, id)) strict, without rowid`,
        sql`create table part (boat_id text not null references boat(id) on delete cascade, id text not null,
            position integer not null, name text not null, kind text not null,
            primary key (boat_id, id)) strict, without rowid`,
        sql`create table zone (boat_id text not null, id text not null, part_id text not null,
            position integer not null, name text not null, location text not null,
            geometry_json text not null, primary key (boat_id, id), foreign key (boat_id, part_id)
            references part(boat_id, id) on delete cascade) strict, without rowid`,
        sql`create table layer (boat_id text not null, id text not null, part_id text not null,
            position integer not null, material_id text not null, angle_deg real not null,
            thickness real, primary key (boat_id, id), foreign key (boat_id, part_id) references part(boat_id, id)
            on delete cascade,
            foreign key (boat_id, material_id) references boat_material(boat_id, id) deferrable initially deferred)
            strict, without rowid`,
        sql`create table coverage (boat_id text not null, layer_id text not null, zone_id text not null,
            primary key (boat_id, layer_id, zone_id),
            foreign key (boat_id, layer_id) references layer(boat_id, id)
            on delete cascade deferrable initially deferred,
            foreign key (boat_id, zone_id) references zone(boat_id, id)
            on delete cascade deferrable initially deferred) strict, without rowid`,
        sql`create index coverage_zone on coverage(boat_id, zone_id)`,
        sql`create index zone_part on zone(boat_id, part_id)`,
        sql`create index layer_part on layer(boat_id, part_id)`,
        sql`create index layer_material on layer(boat_id, material_id)`,
        sql`create table edit (id integer primary key, boat_id text not null references boat(id) on delete cascade,
            version integer not null, client_id text not null,
            action text not null check (action in ('do', 'undo', 'redo')), description text not null,
            forward_json text not null, inverse_json text not null, at text not null,
            unique (boat_id, version)) strict`,
        sql`create unique index edit_client on edit(boat_id, client_id)`,
        sql`create table revision (id text primary key, boat_id text not null references boat(id),
            number integer not null, label text not null, hash text not null,
            author text not null, note text not null, issued_at text not null, snapshot text not null,
            unique (boat_id, number)) strict`,
        sql`create trigger revision_stands before update on revision begin select raise(abort,
            'An issued revision cannot be changed'); end`,
        sql`create trigger revision_stays before delete on revision begin select raise(abort,
            'An issued revision cannot be removed'); end`,
        sql`create table shelf_material (id text primary key, kind text not null, name text not null,
            body_json text not null, updated_at text not null) strict, without rowid`,
      ];
      for (const statement of statements) await statement.execute(db);
    },
  },
  '0002_loads_and_cautions': {
    async up(db) {
      await sql`alter table zone add column load_json text`.execute(db);
      await sql`create table acceptance (boat_id text not null references boat(id) on delete cascade,
            id text not null, position integer not null, rule text not null,
          subject text not null, accepted_by text not null, note text not null, at text not null,
            primary key (boat_id, id)) strict, without rowid`.execute(db);
    },
  },
  '0003_geometry_and_packs': {
    async up(db) {
      const list = (name: string) =>
        sql`create table ${sql.table(name)} (boat_id text not null references boat(id) on delete cascade,
            id text not null, position integer not null, body_json text not null,
            primary key (boat_id, id)) strict, without rowid`;
      const statements = [
        sql`alter table boat add column hull_json text`,
        sql`alter table boat add column deck_json text`,
        sql`alter table zone add column region_json text`,
        sql`alter table zone add column overridden_json text`,
        sql`alter table zone add column panel_case_json text`,
        sql`alter table zone add column match_id text`,
        sql`alter table zone add column specified_id text`,
        list('boat_support'),
        list('boat_section'),
        list('boat_reference'),
        list('boat_pack'),
        sql`create table pack (id text primary key, kind text not null, body_json text not null,
            updated_at text not null) strict, without rowid`,
      ];
      for (const statement of statements) await statement.execute(db);
    },
  },
  '0004_groups_joins_and_change_requests': {
    async up(db) {
      const statements = [
        sql`alter table part add column rest_json text`,
        sql`alter table layer add column role text`,
        sql`alter table layer add column group_id text`,
        sql`alter table zone add column hand text`,
        sql`alter table zone add column solid_edge real`,
        sql`alter table boat add column parent_json text`,
        sql`alter table boat add column parent_version integer`,
        sql`create table revision_event (id text primary key, boat_id text not null references boat(id),
            label text not null, kind text not null
            check (kind in ('floor', 'withdrawn')), author text not null, note text not null, at text not null)
            strict, without rowid`,
        sql`create index revision_event_boat on revision_event(boat_id)`,
        sql`create table change_request (id text primary key, boat_id text not null references boat(id),
            against text not null, version integer not null, reason text not null,
            changes_json text not null, asked_by text not null, asked_at text not null,
            state text not null check (state in ('open', 'approved', 'refused', 'issued')),
            decided_by text, decided_at text, decision text) strict, without rowid`,
        sql`create index change_request_boat on change_request(boat_id)`,
      ];
      for (const statement of statements) await statement.execute(db);
    },
  },
  '0005_loads_and_details': {
    async up(db) {
      const list = (name: string) =>
        sql`create table ${sql.table(name)} (boat_id text not null references boat(id) on delete cascade,
            id text not null, position integer not null, body_json text not null,
            primary key (boat_id, id)) strict, without rowid`;
      for (const statement of [list('boat_load'), list('boat_detail')]) await statement.execute(db);
    },
  },
  '0006_described_documents': {
    async up(db) {
      const create = [
        sql`create table boat_item (boat_id text not null references boat(id) on delete cascade, list text not null,
            id text not null,
            parent_id text not null default '', position integer not null, body_json text not null,
            primary key (boat_id, list, id)) strict, without rowid`,
        sql`create table boat_day (boat_id text not null references boat(id) on delete cascade, day text not null,
            version integer not null,
            document text not null, primary key (boat_id, day)) strict, without rowid`,
        sql`alter table boat add column document_version integer not null default 6`,
        sql`alter table edit add column author text not null default ''`,
        sql`alter table revision add column results_json text`,
        sql`alter table revision add column engine text`,
        sql`alter table revision add column print blob`,
        sql`create table build (id text primary key, boat_id text not null references boat(id),
            revision_id text not null references revision(id),
            hull_number text not null, created_by text not null, created_at text not null,
            unique (boat_id, hull_number)) strict, without rowid`,
        sql`create table build_amendment (id text primary key, build_id text not null references build(id),
            from_revision_id text not null references revision(id),
            to_revision_id text not null references revision(id), reason text not null, author text not null,
            at text not null) strict, without rowid`,
        sql`create table build_record (id text primary key, build_id text not null references build(id),
            kind text not null, person text not null,
            device text not null, at text not null, received_at text not null,
            corrects text references build_record(id), body_json text not null) strict, without rowid`,
        sql`create index build_record_build on build_record(build_id, at)`,
        sql`create trigger build_record_stands before update on build_record begin select raise(abort,
            'A record is corrected by a later one, never changed'); end`,
        sql`create trigger build_record_stays before delete on build_record begin select raise(abort,
            'A record cannot be removed'); end`,
      ];
      for (const statement of create) await statement.execute(db);
      await takeOverBoats(db);
      const old = ['coverage', 'layer', 'zone', 'part', 'boat_material', 'acceptance'];
      const lists = ['boat_support', 'boat_section', 'boat_reference', 'boat_pack', 'boat_load', 'boat_detail'];
      for (const table of [...old, ...lists]) await sql`drop table ${sql.table(table)}`.execute(db);
      for (const column of ['brief_json', 'hull_json', 'deck_json'])
        await sql`alter table boat drop column ${sql.ref(column)}`.execute(db);
    },
  },
  '0007_templates': {
    async up(db) {
      await sql`create table template (id text primary key, name text not null, note text not null,
            document_version integer not null,
          document text not null, author text not null, created_at text not null) strict, without rowid`.execute(db);
    },
  },
  '0008_remembered_tables': {
    async up(db) {
      await sql`create table remembered_table (purpose text not null, signature text not null, body_json text not null,
          author text not null, used_at text not null, primary key (purpose, signature)) strict, without rowid`.execute(
        db,
      );
    },
  },
  '0009_habits': {
    async up(db) {
      await sql`create table habit (process text primary key, version integer not null, body_json text not null,
          author text not null, at text not null) strict, without rowid`.execute(db);
    },
  },
  '0010_surveys': {
    async up(db) {
      await sql`create table survey (boat_id text not null references boat(id) on delete cascade, zone_id text not null,
          version integer not null, body_json text not null, picture text, author text not null, at text not null,
          primary key (boat_id, zone_id)) strict, without rowid`.execute(db);
    },
  },
  '0011_weigh_ins_and_rates': {
    async up(db) {
      const statements = [
        sql`create table weigh_in (boat_id text not null references boat(id) on delete cascade, id text not null,
            corrects text, body_json text not null, author text not null, at text not null,
            primary key (boat_id, id)) strict, without rowid`,
        sql`create trigger weigh_in_stands before update on weigh_in begin select raise(abort,
            'A weigh-in is corrected by a later one, never changed'); end`,
        sql`create trigger weigh_in_stays before delete on weigh_in begin select raise(abort,
            'A weigh-in cannot be removed'); end`,
        sql`create table yard_setting (name text primary key, version integer not null, body_json text not null,
            author text not null, at text not null) strict, without rowid`,
      ];
      for (const statement of statements) await statement.execute(db);
    },
  },
  '0012_stock': {
    async up(db) {
      const statements = [
        sql`create table stock_lot (id text primary key, material text not null, body_json text not null,
            author text not null, at text not null) strict, without rowid`,
        sql`create index stock_lot_material on stock_lot (material)`,
        sql`create table stock_move (id text primary key, lot_id text not null references stock_lot(id),
            amount real not null, reason text not null, author text not null, at text not null) strict, without rowid`,
        sql`create index stock_move_lot on stock_move (lot_id)`,
        sql`create table kit (id text primary key, boat_id text not null references boat(id) on delete cascade,
            revision text not null, hull text not null, taken_from text, body_json text not null,
            author text not null, at text not null, unique (boat_id, hull)) strict, without rowid`,
        sql`create trigger kit_stands before update on kit
            begin select raise(abort, 'A kit that is frozen does not change'); end`,
        sql`create trigger stock_move_stands before update on stock_move
            begin select raise(abort, 'A movement is corrected by a later one, never changed'); end`,
        sql`create trigger stock_move_stays before delete on stock_move
            begin select raise(abort, 'A movement cannot be removed'); end`,
      ];
      for (const statement of statements) await statement.execute(db);
    },
  },
  '0013_kit_cut': {
    async up(db) {
      // Which frozen kit something was taken for.
      await sql`alter table stock_move add column kit_id text references kit(id)`.execute(db);
    },
  },
  '0014_drop_tests': {
    async up(db) {
      const statements = [
        sql`create table drop_test (boat_id text not null references boat(id) on delete cascade, id text not null,
            corrects text, body_json text not null, author text not null, at text not null,
            primary key (boat_id, id)) strict, without rowid`,
        sql`create trigger drop_test_stands before update on drop_test
            begin select raise(abort, 'A drop test is corrected by a later one, never changed'); end`,
        sql`create trigger drop_test_stays before delete on drop_test
            begin select raise(abort, 'A drop test cannot be removed'); end`,
      ];
      for (const statement of statements) await statement.execute(db);
    },
  },
  '0015_people': {
    async up(db) {
      const statements = [
        sql`create table person (id text primary key, name text not null unique, login text not null unique,
            roles_json text not null, password_hash text not null, pin_hash text, badge_hash text unique,
            gone integer not null default 0, created_at text not null) strict, without rowid`,
        sql`create table tablet (id text primary key, name text not null, author text not null, at text not null,
            withdrawn_at text) strict, without rowid`,
        sql`create table session (id text primary key, person_id text not null references person(id),
            tablet_id text references tablet(id), at text not null, ends_at text not null) strict, without rowid`,
        sql`create index session_person on session (person_id)`,
        sql`create table reader_link (id text primary key, secret_hash text not null unique,
            boat_id text not null references boat(id) on delete cascade, label text not null, reader text not null,
            author text not null, at text not null, ends_at text not null, withdrawn_at text,
            seen integer not null default 0) strict, without rowid`,
      ];
      for (const statement of statements) await statement.execute(db);
    },
  },
  '0016_floor': {
    async up(db) {
      // Nothing was ever kept in these: they were made ahead of the floor.
      const statements = [
        sql`drop table build_record`,
        sql`drop table build_amendment`,
        sql`drop table build`,
        sql`create table build (id text primary key, boat_id text not null references boat(id), label text not null,
            hull text not null, plan_json text not null, author text not null, at text not null,
            closed_at text, unique (boat_id, hull)) strict, without rowid`,
        sql`create table build_amendment (id text primary key, build_id text not null references build(id),
            from_label text not null, to_label text not null, reason text not null, changes_json text not null,
            plan_json text not null, author text not null, at text not null) strict, without rowid`,
        sql`create table build_record (seq integer primary key autoincrement, id text not null unique,
            build_id text not null references build(id), kind text not null, person text not null,
            device text not null, at text not null, received_at text not null, corrects text,
            body_json text not null) strict`,
        sql`create index build_record_build on build_record(build_id, seq)`,
        sql`create trigger build_record_stands before update on build_record
            begin select raise(abort, 'A record is corrected by a later one, never changed'); end`,
        sql`create trigger build_record_stays before delete on build_record
            begin select raise(abort, 'A record cannot be removed'); end`,
      ];
      for (const statement of statements) await statement.execute(db);
    },
  },
  '0017_yard_facts': {
    async up(db) {
      const statements = [
        sql`create table yard_fact (seq integer primary key autoincrement, id text not null unique,
            kind text not null, corrects text, body_json text not null, author text not null,
            at text not null) strict`,
        sql`create index yard_fact_kind on yard_fact(kind, seq)`,
        sql`create trigger yard_fact_stands before update on yard_fact
            begin select raise(abort, 'A fact is corrected by a later one, never changed'); end`,
        sql`create trigger yard_fact_stays before delete on yard_fact
            begin select raise(abort, 'A fact cannot be removed'); end`,
      ];
      for (const statement of statements) await statement.execute(db);
    },
  },
  '0018_traces': {
    async up(db) {
      const statements = [
        sql`create table trace (id text primary key, build_id text references build(id), part text not null,
            channel text not null, quantity text not null, name text not null, author text not null,
            begun_at text not null, ended_at text) strict, without rowid`,
        sql`create table trace_chunk (trace_id text not null references trace(id), from_ms integer not null,
            to_ms integer not null, count integer not null, least real not null, most real not null,
            body blob not null, primary key (trace_id, from_ms)) strict, without rowid`,
      ];
      for (const statement of statements) await statement.execute(db);
    },
  },
};
