CREATE TABLE `handovers` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`at` datetime(3) NOT NULL,
	`person_id` char(36),
	`lines` json NOT NULL,
	`note` varchar(1000) NOT NULL,
	`read_at` datetime(3),
	`read_by_id` char(36),
	CONSTRAINT `handovers_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `lot_records` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`lot_id` char(36) NOT NULL,
	`at` datetime(3) NOT NULL,
	`person_id` char(36),
	`kind` varchar(12) NOT NULL,
	`found` varchar(16),
	`corrects_id` char(36),
	`content` json NOT NULL,
	CONSTRAINT `lot_records_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `lots` ADD `planned` json;--> statement-breakpoint
ALTER TABLE `marks` ADD `started_at` datetime(3);--> statement-breakpoint
ALTER TABLE `marks` ADD `skipped_why` varchar(200);--> statement-breakpoint
ALTER TABLE `marks` ADD `extra_min` smallint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `marks` ADD `person_id` char(36);--> statement-breakpoint
ALTER TABLE `handovers` ADD CONSTRAINT `handovers_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `lot_records` ADD CONSTRAINT `lot_records_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `lot_records` ADD CONSTRAINT `lot_records_lot` FOREIGN KEY (`house_id`,`lot_id`) REFERENCES `lots`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `handovers_at` ON `handovers` (`house_id`,`at`);--> statement-breakpoint
CREATE INDEX `lot_records_kind` ON `lot_records` (`house_id`,`lot_id`,`kind`);--> statement-breakpoint
CREATE INDEX `lot_records_found` ON `lot_records` (`house_id`,`found`);--> statement-breakpoint
CREATE INDEX `lots_log` ON `lots` (`house_id`,`service_date`,`id`,`formula_id`,`code`,`note`);