CREATE TABLE `house_heads` (
	`house_id` char(36) NOT NULL,
	`audit_no` int NOT NULL DEFAULT 0,
	`audit_hash` char(64) NOT NULL DEFAULT '',
	CONSTRAINT `house_heads_house_id` PRIMARY KEY(`house_id`)
);
--> statement-breakpoint
CREATE TABLE `house_versions` (
	`house_id` char(36) NOT NULL,
	`part` varchar(10) NOT NULL,
	`version` int NOT NULL,
	CONSTRAINT `house_versions_house_id_part_pk` PRIMARY KEY(`house_id`,`part`)
);
--> statement-breakpoint
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
CREATE TABLE `writes` (
	`id` bigint AUTO_INCREMENT NOT NULL,
	`house_id` char(36) NOT NULL,
	`at` datetime(3) NOT NULL,
	`path` varchar(300) NOT NULL,
	CONSTRAINT `writes_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `people` ADD `left_at` datetime(3);--> statement-breakpoint
ALTER TABLE `till_sales` ADD `received_at` datetime(3);--> statement-breakpoint
ALTER TABLE `till_sales` ADD `machine_id` char(36);--> statement-breakpoint
ALTER TABLE `handovers` ADD `received_at` datetime(3);--> statement-breakpoint
ALTER TABLE `lot_records` ADD `received_at` datetime(3);--> statement-breakpoint
ALTER TABLE `audit` ADD `no` int;--> statement-breakpoint
ALTER TABLE `audit` ADD `machine_id` char(36);--> statement-breakpoint
ALTER TABLE `audit` ADD `changes` mediumtext;--> statement-breakpoint
ALTER TABLE `audit` ADD `hash` char(64);--> statement-breakpoint
ALTER TABLE `cold_notes` ADD `received_at` datetime(3);--> statement-breakpoint
ALTER TABLE `readings` ADD `received_s` int unsigned;--> statement-breakpoint
ALTER TABLE `readings` ADD `machine_no` int unsigned;--> statement-breakpoint
ALTER TABLE `audit` ADD CONSTRAINT `audit_no` UNIQUE(`house_id`,`no`);--> statement-breakpoint
ALTER TABLE `house_heads` ADD CONSTRAINT `house_heads_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `house_versions` ADD CONSTRAINT `house_versions_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `machines` ADD CONSTRAINT `machines_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `writes` ADD CONSTRAINT `writes_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `writes_house` ON `writes` (`house_id`,`id`);--> statement-breakpoint
CREATE INDEX `writes_at` ON `writes` (`house_id`,`at`);--> statement-breakpoint
CREATE INDEX `till_sales_at` ON `till_sales` (`house_id`,`product_id`,`at`);--> statement-breakpoint
CREATE INDEX `audit_machine` ON `audit` (`house_id`,`machine_id`,`id`);--> statement-breakpoint
INSERT INTO `writes` (`id`, `house_id`, `at`, `path`) SELECT `id`, `house_id`, `at`, `path` FROM `audit` ORDER BY `id` DESC LIMIT 2000;
