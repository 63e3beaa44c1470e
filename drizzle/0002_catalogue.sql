CREATE TABLE `own_drills` (
	`id` text PRIMARY KEY NOT NULL,
	`at` text NOT NULL,
	`value` text NOT NULL,
	`revision` integer NOT NULL,
	`retracted_at` text
);
--> statement-breakpoint
CREATE TABLE `templates` (
	`id` text PRIMARY KEY NOT NULL,
	`at` text NOT NULL,
	`name` text NOT NULL,
	`value` text NOT NULL,
	`retracted_at` text
);
