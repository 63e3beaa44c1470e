CREATE TABLE `care` (
	`coach_id` text NOT NULL,
	`client_id` text NOT NULL,
	`kind` text NOT NULL,
	`at` text NOT NULL,
	PRIMARY KEY(`coach_id`, `client_id`),
	FOREIGN KEY (`coach_id`) REFERENCES `coaches`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`client_id`) REFERENCES `clients`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `care_by_client` ON `care` (`client_id`);--> statement-breakpoint
CREATE TABLE `coaches` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`name_key` text NOT NULL,
	`role` text NOT NULL,
	`hash` text NOT NULL,
	`recovery` text,
	`created_at` text NOT NULL,
	`ended_at` text
);
--> statement-breakpoint
CREATE UNIQUE INDEX `coaches_name_key_unique` ON `coaches` (`name_key`);--> statement-breakpoint
CREATE TABLE `sessions` (
	`id` text PRIMARY KEY NOT NULL,
	`digest` text NOT NULL,
	`coach_id` text NOT NULL,
	`created_at_ms` integer NOT NULL,
	`seen_at_ms` integer NOT NULL,
	`locked_at_ms` integer,
	`device` text NOT NULL,
	FOREIGN KEY (`coach_id`) REFERENCES `coaches`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `sessions_digest_unique` ON `sessions` (`digest`);--> statement-breakpoint
CREATE INDEX `sessions_by_coach` ON `sessions` (`coach_id`);--> statement-breakpoint
CREATE TABLE `trail` (
	`seq` integer PRIMARY KEY NOT NULL,
	`at` text NOT NULL,
	`coach_id` text,
	`what` text NOT NULL,
	`client_id` text,
	`chain` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `trail_by_client` ON `trail` (`client_id`,`seq`);--> statement-breakpoint
ALTER TABLE `clients` ADD `archived_at` text;--> statement-breakpoint
ALTER TABLE `own_breath` ADD `coach_id` text;