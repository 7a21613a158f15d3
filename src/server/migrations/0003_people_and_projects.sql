CREATE TABLE "invitation" (
	"id" uuid PRIMARY KEY NOT NULL,
	"project_id" uuid NOT NULL,
	"token_hash" text NOT NULL,
	"email" text NOT NULL,
	"role" text NOT NULL,
	"disciplines" text[] DEFAULT '{}' NOT NULL,
	"invited_by" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"used_at" timestamp with time zone,
	"used_by" text,
	"revoked_at" timestamp with time zone,
	CONSTRAINT "invitation_token_hash_unique" UNIQUE("token_hash")
);
--> statement-breakpoint
CREATE TABLE "outbox" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"to_email" text NOT NULL,
	"subject" text NOT NULL,
	"body" text NOT NULL,
	"token_hash" text,
	"sealed_link" text
);
--> statement-breakpoint
CREATE TABLE "password_link" (
	"id" uuid PRIMARY KEY NOT NULL,
	"user_id" text NOT NULL,
	"token_hash" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"used_at" timestamp with time zone,
	CONSTRAINT "password_link_token_hash_unique" UNIQUE("token_hash")
);
--> statement-breakpoint
CREATE TABLE "project_summary" (
	"project_id" uuid PRIMARY KEY NOT NULL,
	"seq" bigint NOT NULL,
	"buildings" jsonb NOT NULL,
	"elevation" jsonb NOT NULL
);
--> statement-breakpoint
ALTER TABLE "audit" ADD COLUMN "about_id" text;--> statement-breakpoint
ALTER TABLE "audit" ADD COLUMN "detail" text;--> statement-breakpoint
ALTER TABLE "membership" ADD COLUMN "disciplines" text[] DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE "membership" ADD COLUMN "joined_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "project" ADD COLUMN "archived_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "project" ADD COLUMN "deleted_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "project" ADD COLUMN "deleted_by" text;--> statement-breakpoint
ALTER TABLE "project" ADD COLUMN "units" text DEFAULT 'metric' NOT NULL;--> statement-breakpoint
ALTER TABLE "project" ADD COLUMN "disciplines" text[] DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE "project" ADD COLUMN "inviters" text DEFAULT 'owners' NOT NULL;--> statement-breakpoint
ALTER TABLE "user" ADD COLUMN "is_keeper" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "user" ADD COLUMN "is_gone" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "invitation" ADD CONSTRAINT "invitation_project_id_project_id_fk" FOREIGN KEY ("project_id") REFERENCES "public"."project"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invitation" ADD CONSTRAINT "invitation_invited_by_user_id_fk" FOREIGN KEY ("invited_by") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "password_link" ADD CONSTRAINT "password_link_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "project_summary" ADD CONSTRAINT "project_summary_project_id_project_id_fk" FOREIGN KEY ("project_id") REFERENCES "public"."project"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "invitation_project" ON "invitation" USING btree ("project_id","created_at");--> statement-breakpoint
CREATE INDEX "outbox_token" ON "outbox" USING btree ("token_hash");--> statement-breakpoint
CREATE INDEX "password_link_user" ON "password_link" USING btree ("user_id");--> statement-breakpoint
UPDATE "membership" SET "disciplines" = ARRAY[initcap("discipline")] WHERE "discipline" IS NOT NULL;--> statement-breakpoint
UPDATE "membership" AS "m" SET "role" = 'owner' WHERE "role" = 'designer'
	AND NOT EXISTS (SELECT FROM "membership" AS "o" WHERE "o"."project_id" = "m"."project_id" AND "o"."role" = 'owner')
	AND "user_id" = (SELECT min("d"."user_id") FROM "membership" AS "d" WHERE "d"."project_id" = "m"."project_id" AND "d"."role" = 'designer');--> statement-breakpoint
UPDATE "user" SET "is_keeper" = true WHERE "id" = (SELECT "id" FROM "user" ORDER BY "created_at", "id" LIMIT 1);--> statement-breakpoint
ALTER TABLE "membership" DROP COLUMN "discipline";