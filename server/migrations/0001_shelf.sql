ALTER TABLE "plans" ADD COLUMN "last_save" text;--> statement-breakpoint
ALTER TABLE "plans" ADD COLUMN "shelf" jsonb;--> statement-breakpoint
ALTER TABLE "plans" ADD COLUMN "shelf_of" text;