CREATE TABLE `machines` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`no` int unsigned AUTO_INCREMENT NOT NULL,
	`kind` varchar(8) NOT NULL,
	`name` varchar(80) NOT NULL,
	`probe_id` char(36),
	`token_hash` char(64) NOT NULL,
	`issued_at` datetime(3) NOT NULL,
	`last_seen_at` datetime(3),
	`revoked_at` datetime(3),
	CONSTRAINT `machines_id` PRIMARY KEY(`id`),
	CONSTRAINT `machines_no` UNIQUE(`no`),
	CONSTRAINT `machines_token` UNIQUE(`house_id`,`token_hash`)
);
--> statement-breakpoint
ALTER TABLE `till_sales` ADD `received_at` datetime(3);--> statement-breakpoint
ALTER TABLE `till_sales` ADD `machine_id` char(36);--> statement-breakpoint
ALTER TABLE `handovers` ADD `received_at` datetime(3);--> statement-breakpoint
ALTER TABLE `lot_records` ADD `received_at` datetime(3);--> statement-breakpoint
ALTER TABLE `cold_notes` ADD `received_at` datetime(3);--> statement-breakpoint
ALTER TABLE `readings` ADD `received_s` int unsigned;--> statement-breakpoint
ALTER TABLE `readings` ADD `machine_no` int unsigned;--> statement-breakpoint
ALTER TABLE `machines` ADD CONSTRAINT `machines_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `till_sales_at` ON `till_sales` (`house_id`,`product_id`,`at`);