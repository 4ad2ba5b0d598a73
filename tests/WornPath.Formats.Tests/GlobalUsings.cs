global using Shouldly;
global using WornPath.Core;
global using WornPath.Core.Editing;
global using WornPath.Core.Findings;
global using WornPath.Core.Sheets;
global using Xunit;
