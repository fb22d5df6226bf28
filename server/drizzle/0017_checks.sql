CREATE TABLE `lessons` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	`updated_at` text NOT NULL,
	`kind` text NOT NULL,
	`text` text NOT NULL,
	`pair_id` text,
	`revision` integer,
	`step` text DEFAULT '' NOT NULL,
	`about` text NOT NULL,
	FOREIGN KEY (`pair_id`) REFERENCES `pairs`(`id`) ON UPDATE no action ON DELETE set null
);
--> statement-breakpoint
CREATE INDEX `lessons_pair` ON `lessons` (`pair_id`);--> statement-breakpoint
CREATE TABLE `own_faults` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	`updated_at` text NOT NULL,
	`of_fault` text DEFAULT '' NOT NULL,
	`name` text NOT NULL,
	`sign` text DEFAULT '' NOT NULL,
	`causes` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `photographs` (
	`id` text PRIMARY KEY NOT NULL,
	`pair_id` text NOT NULL,
	`check_id` text DEFAULT '' NOT NULL,
	`foot` text,
	`type` text NOT NULL,
	`bytes` blob NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`pair_id`) REFERENCES `pairs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `photographs_pair` ON `photographs` (`pair_id`,`at`);--> statement-breakpoint
CREATE TABLE `readings` (
	`serial` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`pair_id` text NOT NULL,
	`check_id` text NOT NULL,
	`foot` text NOT NULL,
	`value` real,
	`fine` integer,
	`note` text DEFAULT '' NOT NULL,
	`revision` integer NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`pair_id`) REFERENCES `pairs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `readings_id_unique` ON `readings` (`id`);--> statement-breakpoint
CREATE INDEX `readings_pair` ON `readings` (`pair_id`,`serial`);--> statement-breakpoint
CREATE TABLE `setbacks` (
	`serial` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`pair_id` text NOT NULL,
	`step` text NOT NULL,
	`name` text NOT NULL,
	`foot` text,
	`reason` text NOT NULL,
	`check_id` text DEFAULT '' NOT NULL,
	`steps` text NOT NULL,
	`parts` text NOT NULL,
	`minutes` real NOT NULL,
	`revision` integer NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`pair_id`) REFERENCES `pairs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `setbacks_id_unique` ON `setbacks` (`id`);--> statement-breakpoint
CREATE INDEX `setbacks_pair` ON `setbacks` (`pair_id`,`serial`);--> statement-breakpoint
CREATE TABLE `step_wishes` (
	`pair_id` text NOT NULL,
	`step` text NOT NULL,
	`maker` text,
	`not_before` integer,
	PRIMARY KEY(`pair_id`, `step`),
	FOREIGN KEY (`pair_id`) REFERENCES `pairs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `tool_changes` (
	`id` text PRIMARY KEY NOT NULL,
	`tool` text NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	`at` text NOT NULL
);
--> statement-breakpoint
ALTER TABLE `pairs` ADD `given_up` text;--> statement-breakpoint
ALTER TABLE `step_events` ADD `maker` text;