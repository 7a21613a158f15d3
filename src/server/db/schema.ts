import { sql } from 'drizzle-orm';
import {
  bigint,
  bigserial,
  boolean,
  customType,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uniqueIndex,
  uuid,
  varchar,
} from 'drizzle-orm/pg-core';
import type { SmallElevation } from '@/core/drawing/small-elevation';
import type { Changes } from '@/core/model/changes';
import type { Json } from '@/core/model/json';
import type { KeptView } from '@/core/views/named-view';
import type { Rec } from '@/core/model/kinds';
// By its path: the tool that writes migrations knows no other.
import { INVITERS, ROLES } from '../../core/people/powers';

const at = (name: string) => timestamp(name, { withTimezone: true }).notNull().defaultNow();
const bytes = customType<{ data: Uint8Array; driverData: Buffer }>({
  dataType: () => 'bytea',
  toDriver: (value) => Buffer.from(value),
  fromDriver: (value) => new Uint8Array(value),
});

// Accounts and sessions, in the shape the sign-in library expects.
export const user = pgTable('user', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  email: text('email').notNull().unique(),
  emailVerified: boolean('email_verified').notNull().default(false),
  image: text('image'),
  createdAt: at('created_at'),
  updatedAt: at('updated_at'),
  /** Looks after this place: the first who made an account here. */
  isKeeper: boolean('is_keeper').notNull().default(false),
  /** No account of this place: somebody's name in a history that came from elsewhere, or of an account that is gone. */
  isGone: boolean('is_gone').notNull().default(false),
});

export const session = pgTable(
  'session',
  {
    id: text('id').primaryKey(),
    expiresAt: timestamp('expires_at', { withTimezone: true }).notNull(),
    token: text('token').notNull().unique(),
    createdAt: at('created_at'),
    updatedAt: at('updated_at'),
    ipAddress: text('ip_address'),
    userAgent: text('user_agent'),
    userId: text('user_id')
      .notNull()
      .references(() => user.id, { onDelete: 'cascade' }),
  },
  (table) => [index('session_user').on(table.userId)],
);

export const account = pgTable(
  'account',
  {
    id: text('id').primaryKey(),
    accountId: text('account_id').notNull(),
    providerId: text('provider_id').notNull(),
    userId: text('user_id')
      .notNull()
      .references(() => user.id, { onDelete: 'cascade' }),
    accessToken: text('access_token'),
    refreshToken: text('refresh_token'),
    idToken: text('id_token'),
    accessTokenExpiresAt: timestamp('access_token_expires_at', { withTimezone: true }),
    refreshTokenExpiresAt: timestamp('refresh_token_expires_at', { withTimezone: true }),
    scope: text('scope'),
    password: text('password'),
    createdAt: at('created_at'),
    updatedAt: at('updated_at'),
  },
  (table) => [index('account_user').on(table.userId)],
);

export const verification = pgTable('verification', {
  id: text('id').primaryKey(),
  identifier: text('identifier').notNull(),
  value: text('value').notNull(),
  expiresAt: timestamp('expires_at', { withTimezone: true }).notNull(),
  createdAt: at('created_at'),
  updatedAt: at('updated_at'),
});

export const project = pgTable('project', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull(),
  /** Sequence number of the last change: the lock every command takes. */
  headSeq: bigint('head_seq', { mode: 'number' }).notNull().default(0),
  /** When the last change was committed. */
  changedAt: at('changed_at'),
  createdAt: at('created_at'),
  /** Put away: it can be looked at and not changed. */
  archivedAt: timestamp('archived_at', { withTimezone: true }),
  /** Deleted: nobody gets at it, until it is brought back or its days are over. */
  deletedAt: timestamp('deleted_at', { withTimezone: true }),
  deletedBy: text('deleted_by'),
  /** Units people begin with, until they choose others. */
  units: text('units', { enum: ['metric', 'imperial'] })
    .notNull()
    .default('metric'),
  disciplines: text('disciplines').array().notNull().default([]),
  /** Who may invite others. */
  inviters: text('inviters', { enum: INVITERS }).notNull().default('owners'),
});

/** What the list of projects shows of one, as of a change: worked out behind, and disposable. */
export const projectSummary = pgTable('project_summary', {
  projectId: uuid('project_id')
    .primaryKey()
    .references(() => project.id, { onDelete: 'cascade' }),
  seq: bigint('seq', { mode: 'number' }).notNull(),
  buildings: jsonb('buildings').$type<{ name: string; levels: number }[]>().notNull(),
  elevation: jsonb('elevation').$type<SmallElevation>().notNull(),
});

export const membership = pgTable(
  'membership',
  {
    projectId: uuid('project_id')
      .notNull()
      .references(() => project.id, { onDelete: 'cascade' }),
    userId: text('user_id')
      .notNull()
      .references(() => user.id, { onDelete: 'cascade' }),
    role: text('role', { enum: ROLES }).notNull(),
    /** Of a consultant: what they speak for. */
    disciplines: text('disciplines').array().notNull().default([]),
    joinedAt: at('joined_at'),
  },
  (table) => [primaryKey({ columns: [table.projectId, table.userId] }), index('membership_user').on(table.userId)],
);

/** Invitations by link: of the link only its hash is kept. */
export const invitation = pgTable(
  'invitation',
  {
    id: uuid('id').primaryKey(),
    projectId: uuid('project_id')
      .notNull()
      .references(() => project.id, { onDelete: 'cascade' }),
    tokenHash: text('token_hash').notNull().unique(),
    /** Whom the mail goes to: the link works for whoever opens it. */
    email: text('email').notNull(),
    role: text('role', { enum: ROLES }).notNull(),
    disciplines: text('disciplines').array().notNull().default([]),
    invitedBy: text('invited_by')
      .notNull()
      .references(() => user.id, { onDelete: 'cascade' }),
    createdAt: at('created_at'),
    expiresAt: timestamp('expires_at', { withTimezone: true }).notNull(),
    usedAt: timestamp('used_at', { withTimezone: true }),
    usedBy: text('used_by'),
    revokedAt: timestamp('revoked_at', { withTimezone: true }),
  },
  (table) => [index('invitation_project').on(table.projectId, table.createdAt)],
);

/** Links by which a forgotten password is replaced: of the link only its hash is kept. */
export const passwordLink = pgTable(
  'password_link',
  {
    id: uuid('id').primaryKey(),
    userId: text('user_id')
      .notNull()
      .references(() => user.id, { onDelete: 'cascade' }),
    tokenHash: text('token_hash').notNull().unique(),
    createdAt: at('created_at'),
    expiresAt: timestamp('expires_at', { withTimezone: true }).notNull(),
    usedAt: timestamp('used_at', { withTimezone: true }),
  },
  (table) => [index('password_link_user').on(table.userId)],
);

/** Mail that would be sent: a page shows it. Its link is sealed with this place's secret, and goes once it is used. */
export const outbox = pgTable(
  'outbox',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    at: at('at'),
    toEmail: text('to_email').notNull(),
    subject: text('subject').notNull(),
    body: text('body').notNull(),
    /** Hash of the link's token, by which it is found when that is used. */
    tokenHash: text('token_hash'),
    sealedLink: text('sealed_link'),
  },
  (table) => [index('outbox_token').on(table.tokenHash)],
);

/** What happened around the framework: who came and went, took files away, was refused. It holds no contents. */
export const audit = pgTable(
  'audit',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    at: at('at'),
    /** What happened, by name: `signed in`, `downloaded`, `refused` … */
    event: text('event').notNull(),
    /** Whom it was about; nobody if they were not known. Kept when the account or project is gone. */
    userId: text('user_id'),
    projectId: uuid('project_id'),
    /** Who it was done to, and what of it, in words: the role somebody was given. */
    aboutId: text('about_id'),
    detail: text('detail'),
    /** Of which request, and from which address. */
    requestId: text('request_id').notNull(),
    address: text('address').notNull(),
    /** The rule of the route, and the status it was answered with. */
    route: text('route').notNull(),
    status: integer('status').notNull(),
  },
  (table) => [index('audit_project').on(table.projectId, table.id), index('audit_user').on(table.userId, table.id)],
);

/** Tries counted over all processes, in the shape the limiter expects. */
export const rateLimit = pgTable('rate_limit', {
  key: varchar('key', { length: 255 }).primaryKey(),
  points: integer('points').notNull().default(0),
  expire: bigint('expire', { mode: 'number' }),
});

/** The change log: what happened to a framework, in order. The framework is what it adds up to. */
export const change = pgTable(
  'change',
  {
    projectId: uuid('project_id')
      .notNull()
      .references(() => project.id, { onDelete: 'cascade' }),
    seq: bigint('seq', { mode: 'number' }).notNull(),
    commandId: uuid('command_id').notNull(),
    authorId: text('author_id')
      .notNull()
      .references(() => user.id),
    command: text('command').notNull(),
    input: jsonb('input').$type<Json>().notNull(),
    sentence: text('sentence').notNull(),
    changes: jsonb('changes').$type<Changes>().notNull(),
    schemaVersion: integer('schema_version').notNull(),
    at: at('at'),
  },
  (table) => [
    primaryKey({ columns: [table.projectId, table.seq] }),
    uniqueIndex('change_command').on(table.projectId, table.commandId),
  ],
);

/** Frameworks at some sequence numbers, so that a process need not read the whole log. Disposable. */
export const snapshot = pgTable(
  'snapshot',
  {
    projectId: uuid('project_id')
      .notNull()
      .references(() => project.id, { onDelete: 'cascade' }),
    seq: bigint('seq', { mode: 'number' }).notNull(),
    hash: text('hash').notNull(),
    schemaVersion: integer('schema_version').notNull(),
    records: jsonb('records').$type<Record<string, Rec>>().notNull(),
    at: at('at'),
  },
  (table) => [primaryKey({ columns: [table.projectId, table.seq] })],
);

/** Views a person keeps for themselves, by name: no part of the framework. */
export const ownView = pgTable(
  'own_view',
  {
    projectId: uuid('project_id')
      .notNull()
      .references(() => project.id, { onDelete: 'cascade' }),
    userId: text('user_id')
      .notNull()
      .references(() => user.id, { onDelete: 'cascade' }),
    name: text('name').notNull(),
    view: jsonb('view').$type<KeptView>().notNull(),
    at: at('at'),
  },
  (table) => [primaryKey({ columns: [table.projectId, table.userId, table.name] })],
);

/** Files people brought, by content. */
export const blob = pgTable(
  'blob',
  {
    projectId: uuid('project_id')
      .notNull()
      .references(() => project.id, { onDelete: 'cascade' }),
    sha256: text('sha256').notNull(),
    name: text('name').notNull(),
    bytes: bytes('bytes').notNull(),
    byteCount: integer('byte_count')
      .generatedAlwaysAs(sql`octet_length(bytes)`)
      .notNull(),
    at: at('at'),
  },
  (table) => [primaryKey({ columns: [table.projectId, table.sha256] })],
);

/** When a process of this installation last said that it lives. */
export const signOfLife = pgTable('sign_of_life', {
  who: text('who').primaryKey(),
  at: at('at'),
});
