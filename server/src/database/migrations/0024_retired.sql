ALTER TABLE `mixers` ADD `retired_at` datetime(3);--> statement-breakpoint
ALTER TABLE `places` ADD `retired_at` datetime(3);--> statement-breakpoint
ALTER TABLE `formulas` ADD `retired_at` datetime(3);--> statement-breakpoint
ALTER TABLE `products` ADD `retired_at` datetime(3);--> statement-breakpoint
ALTER TABLE `routes` ADD `retired_at` datetime(3);