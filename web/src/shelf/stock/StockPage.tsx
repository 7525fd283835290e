export const StockPage = () => null;
