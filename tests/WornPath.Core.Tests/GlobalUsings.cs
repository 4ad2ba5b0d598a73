global using Shouldly;
global using WornPath.Core.Editing;
global using WornPath.Core.Findings;
global using WornPath.Core.Quantities;
global using WornPath.Core.Sheets;
global using WornPath.Core.Walking;
global using Xunit;
