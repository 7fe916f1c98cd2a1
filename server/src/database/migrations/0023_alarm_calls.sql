CREATE TABLE `contacts` (
	`house_id` char(36) NOT NULL,
	`person_id` char(36) NOT NULL,
	`email` varchar(254),
	`quiet` json,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `contacts_house_id_person_id_pk` PRIMARY KEY(`house_id`,`person_id`)
);
--> statement-breakpoint
CREATE TABLE `notifications` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`event` varchar(12) NOT NULL,
	`about_id` char(36) NOT NULL,
	`channel` varchar(8) NOT NULL,
	`target_id` char(36) NOT NULL,
	`person_id` char(36),
	`made_at` datetime(3) NOT NULL,
	`due_at` datetime(3),
	`tries` smallint NOT NULL DEFAULT 0,
	`sent_at` datetime(3),
	`fault` varchar(200),
	CONSTRAINT `notifications_id` PRIMARY KEY(`id`),
	CONSTRAINT `notifications_once` UNIQUE(`house_id`,`event`,`about_id`,`channel`,`target_id`)
);
--> statement-breakpoint
CREATE TABLE `push_devices` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`person_id` char(36) NOT NULL,
	`name` varchar(80) NOT NULL,
	`endpoint` varchar(1000) NOT NULL,
	`p256dh` varchar(100) NOT NULL,
	`auth` varchar(40) NOT NULL,
	`issued_at` datetime(3) NOT NULL,
	CONSTRAINT `push_devices_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `webhooks` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`name` varchar(80) NOT NULL,
	`url` varchar(1000) NOT NULL,
	`secret` varchar(60) NOT NULL,
	`issued_at` datetime(3) NOT NULL,
	CONSTRAINT `webhooks_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `installation` ADD `push_public_key` varchar(100);--> statement-breakpoint
ALTER TABLE `installation` ADD `push_private_key` varchar(60);--> statement-breakpoint
ALTER TABLE `installation` ADD `mail_from` varchar(254);--> statement-breakpoint
ALTER TABLE `contacts` ADD CONSTRAINT `contacts_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `contacts` ADD CONSTRAINT `contacts_person` FOREIGN KEY (`house_id`,`person_id`) REFERENCES `people`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `notifications` ADD CONSTRAINT `notifications_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `push_devices` ADD CONSTRAINT `push_devices_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `push_devices` ADD CONSTRAINT `push_devices_person` FOREIGN KEY (`house_id`,`person_id`) REFERENCES `people`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `webhooks` ADD CONSTRAINT `webhooks_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `notifications_due` ON `notifications` (`due_at`);--> statement-breakpoint
CREATE INDEX `notifications_made` ON `notifications` (`house_id`,`made_at`);--> statement-breakpoint
CREATE INDEX `cold_alarms_open` ON `cold_alarms` (`acknowledged_at`,`until_at`);