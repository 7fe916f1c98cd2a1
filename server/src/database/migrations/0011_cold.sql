CREATE TABLE `cold_alarms` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`probe_id` char(36) NOT NULL,
	`kind` varchar(12) NOT NULL,
	`from_at` datetime(3) NOT NULL,
	`until_at` datetime(3),
	`worst_c` decimal(6,2),
	`mean_c` decimal(6,2),
	`causes` json NOT NULL,
	`acknowledged_at` datetime(3),
	`acknowledged_by_id` char(36),
	`found_cause` varchar(12),
	`note` varchar(500) NOT NULL DEFAULT '',
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `cold_alarms_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `cold_notes` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`at` datetime(3) NOT NULL,
	`person_id` char(36),
	`content` json NOT NULL,
	CONSTRAINT `cold_notes_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `probes` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`no` int unsigned AUTO_INCREMENT NOT NULL,
	`name` varchar(80) NOT NULL,
	`place_id` char(36) NOT NULL,
	`zone` varchar(40) NOT NULL,
	`calibrations` json NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `probes_id` PRIMARY KEY(`id`),
	CONSTRAINT `probes_no` UNIQUE(`no`),
	CONSTRAINT `probes_house` UNIQUE(`house_id`,`id`),
	CONSTRAINT `probes_name` UNIQUE(`house_id`,`name`)
);
--> statement-breakpoint
CREATE TABLE `reading_buckets` (
	`probe_no` int unsigned NOT NULL,
	`at_s` int unsigned NOT NULL,
	`readings` smallint unsigned NOT NULL,
	`sum_centi_c` int NOT NULL,
	`min_centi_c` smallint NOT NULL,
	`max_centi_c` smallint NOT NULL,
	CONSTRAINT `reading_buckets_probe_no_at_s_pk` PRIMARY KEY(`probe_no`,`at_s`)
);
--> statement-breakpoint
CREATE TABLE `readings` (
	`probe_no` int unsigned NOT NULL,
	`at_s` int unsigned NOT NULL,
	`centi_c` smallint NOT NULL,
	CONSTRAINT `readings_probe_no_at_s_pk` PRIMARY KEY(`probe_no`,`at_s`)
);
--> statement-breakpoint
ALTER TABLE `cold_alarms` ADD CONSTRAINT `cold_alarms_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `cold_alarms` ADD CONSTRAINT `cold_alarms_probe` FOREIGN KEY (`house_id`,`probe_id`) REFERENCES `probes`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `cold_notes` ADD CONSTRAINT `cold_notes_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `probes` ADD CONSTRAINT `probes_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `probes` ADD CONSTRAINT `probes_place` FOREIGN KEY (`house_id`,`place_id`) REFERENCES `places`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `reading_buckets` ADD CONSTRAINT `reading_buckets_probe_no_probes_no_fk` FOREIGN KEY (`probe_no`) REFERENCES `probes`(`no`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `readings` ADD CONSTRAINT `readings_probe_no_probes_no_fk` FOREIGN KEY (`probe_no`) REFERENCES `probes`(`no`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `cold_alarms_from` ON `cold_alarms` (`house_id`,`from_at`);--> statement-breakpoint
CREATE INDEX `cold_notes_at` ON `cold_notes` (`house_id`,`at`);