CREATE TABLE `timetables` (
	`id` text PRIMARY KEY NOT NULL,
	`made_from` text NOT NULL,
	`timetable` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `workshop_days` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	`updated_at` text NOT NULL,
	`days` text NOT NULL
);
--> statement-breakpoint
ALTER TABLE `pairs` ADD `due` text;--> statement-breakpoint
ALTER TABLE `pairs` ADD `weight` real DEFAULT 1 NOT NULL;