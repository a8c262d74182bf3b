CREATE TABLE "belongings" (
	"name" text PRIMARY KEY NOT NULL,
	"document" jsonb NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"updated_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "pictures" (
	"sha256" text PRIMARY KEY NOT NULL,
	"mime" text NOT NULL,
	"content" text NOT NULL,
	"kept_at" timestamp with time zone NOT NULL
);
