CREATE TABLE "audit" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"event" text NOT NULL,
	"user_id" text,
	"project_id" uuid,
	"request_id" text NOT NULL,
	"address" text NOT NULL,
	"route" text NOT NULL,
	"status" integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE "rate_limit" (
	"key" varchar(255) PRIMARY KEY NOT NULL,
	"points" integer DEFAULT 0 NOT NULL,
	"expire" bigint
);
--> statement-breakpoint
CREATE TABLE "sign_of_life" (
	"who" text PRIMARY KEY NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "project" ADD COLUMN "changed_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
CREATE INDEX "audit_project" ON "audit" USING btree ("project_id","id");--> statement-breakpoint
CREATE INDEX "audit_user" ON "audit" USING btree ("user_id","id");--> statement-breakpoint
CREATE INDEX "account_user" ON "account" USING btree ("user_id");--> statement-breakpoint
CREATE INDEX "session_user" ON "session" USING btree ("user_id");--> statement-breakpoint
UPDATE "project" SET "changed_at" = coalesce((SELECT max("at") FROM "change" WHERE "project_id" = "project"."id"), "created_at");--> statement-breakpoint
-- Whoever writes it, a change of who may do what is told at once to all processes: they read the person anew.
CREATE FUNCTION "tell_people"() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
	PERFORM pg_notify('spine_people', coalesce(NEW."user_id", OLD."user_id"));
	RETURN NULL;
END $$;--> statement-breakpoint
CREATE TRIGGER "membership_told" AFTER INSERT OR UPDATE OR DELETE ON "membership" FOR EACH ROW EXECUTE FUNCTION "tell_people"();--> statement-breakpoint
CREATE TRIGGER "session_told" AFTER DELETE ON "session" FOR EACH ROW EXECUTE FUNCTION "tell_people"();
