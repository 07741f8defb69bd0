-- dialect: postgres
-- checks: write.truncated-parent
TRUNCATE hives; -- want "write.truncated-parent"
TRUNCATE TABLE ONLY buyers RESTART IDENTITY; -- want "write.truncated-parent"
TRUNCATE TABLE treatments, inspections;
TRUNCATE buyers, sales;
TRUNCATE TABLE sales;
