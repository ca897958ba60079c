import { BrowserRouter, Route, Routes } from "react-router";
import { JobPage } from "../job/JobPage";
import { JobList } from "../list/JobList";
import { StockPage } from "../stock/StockPage";
import { Nowhere } from "./Nowhere";
import { SystemProvider } from "./system";

export function App() {
  return (
    <SystemProvider>
      <BrowserRouter>
        <Routes>
          <Route path="/" element={<JobList />} />
          <Route path="/stock" element={<StockPage />} />
          <Route path="/jobs/:id" element={<JobPage />} />
          <Route path="*" element={<Nowhere />} />
        </Routes>
      </BrowserRouter>
    </SystemProvider>
  );
}
