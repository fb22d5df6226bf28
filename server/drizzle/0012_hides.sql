CREATE TABLE `hides` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	`updated_at` text NOT NULL,
	`name` text NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	`place` text DEFAULT '' NOT NULL,
	`material_id` text,
	`form` text NOT NULL,
	`outline` text NOT NULL,
	`flaws` text NOT NULL,
	`zones` text NOT NULL,
	`tight` real DEFAULT 0 NOT NULL,
	`samples` text NOT NULL,
	`used` integer DEFAULT false NOT NULL,
	FOREIGN KEY (`material_id`) REFERENCES `materials`(`id`) ON UPDATE no action ON DELETE no action
);
