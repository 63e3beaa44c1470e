CREATE TABLE `home_told` (
	`id` text PRIMARY KEY NOT NULL,
	`visit_id` text NOT NULL,
	`drill_id` text NOT NULL,
	`at` text NOT NULL,
	`answer` text NOT NULL,
	FOREIGN KEY (`visit_id`) REFERENCES `visits`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `home_told_by_visit` ON `home_told` (`visit_id`);--> statement-breakpoint
CREATE TABLE `next_notes` (
	`id` text PRIMARY KEY NOT NULL,
	`client_id` text NOT NULL,
	`at` text NOT NULL,
	`text` text NOT NULL,
	`done_at` text,
	FOREIGN KEY (`client_id`) REFERENCES `clients`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `next_notes_by_client` ON `next_notes` (`client_id`);--> statement-breakpoint
CREATE TABLE `waiting` (
	`id` text PRIMARY KEY NOT NULL,
	`client_id` text NOT NULL,
	`at` text NOT NULL,
	`minutes` integer NOT NULL,
	`wish` text NOT NULL,
	`note` text NOT NULL,
	`gone_at` text,
	FOREIGN KEY (`client_id`) REFERENCES `clients`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
DROP INDEX `appointments_by_start`;--> statement-breakpoint
ALTER TABLE `appointments` ADD `off` text DEFAULT 'cancelled' NOT NULL;--> statement-breakpoint
ALTER TABLE `appointments` ADD `off_reason` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `appointments` ADD `series_id` text;--> statement-breakpoint
CREATE INDEX `appointments_by_time` ON `appointments` (`starts_at`);--> statement-breakpoint
CREATE INDEX `appointments_by_client` ON `appointments` (`client_id`,`starts_at`);