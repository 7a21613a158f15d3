CREATE TABLE "own_view" (
	"project_id" uuid NOT NULL,
	"user_id" text NOT NULL,
	"name" text NOT NULL,
	"view" jsonb NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "own_view_project_id_user_id_name_pk" PRIMARY KEY("project_id","user_id","name")
);
--> statement-breakpoint
ALTER TABLE "own_view" ADD CONSTRAINT "own_view_project_id_project_id_fk" FOREIGN KEY ("project_id") REFERENCES "public"."project"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "own_view" ADD CONSTRAINT "own_view_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;